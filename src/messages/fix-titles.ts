import type { FixId, FixLevel } from '@/core/fixes';
import { formatMemory, joinLabels } from './format';

/** Fixes as headings: "Lower the preview quality to 1/4". Apart from their long texts, which lists do not need. */
const fixTitles: Readonly<Record<FixId, (level: FixLevel) => string>> = {
  'close-programs': () => 'Close programs you do not need now',
  'raise-power-mode': () => 'Give the machine full power and air',
  'stop-startup-programs': () => 'Keep programs from starting with the computer',
  'assign-fast-graphics': () => 'Give the editor the faster graphics',
  'update-software': () => 'Update the editor, the system and the graphics driver',
  'reset-editor': () => 'Set the editor’s own settings back',
  'reinstall-editor': () => 'Install the editor again',
  'lower-preview-quality': (level) => `Lower the preview quality to ${level ?? '1/4'}`,
  'smaller-preview-height': (level) => `Draw the preview ${level ?? 540} pixels high`,
  'coarser-while-moving': () => 'Let the picture be coarser while the playhead moves',
  'skip-late-frames': () => 'Let the preview skip late frames',
  'play-every-frame-slowly': () => 'Let playing slow down rather than leave pictures out',
  'play-short-span': () => 'Play a few seconds in a loop',
  'bypass-effects': () => 'Bypass the effects while cutting',
  'weaken-effects': () => 'Set strong effects to a small reach while cutting',
  'stop-blending': () => 'Switch blending off while cutting',
  'solo-track': () => 'Play one track alone',
  'hide-covered-clips': () => 'Hide clips that lie under another picture',
  'lower-working-depth': () => 'Compute colours in 8 bits while cutting',
  'cheaper-scaling-filter': () => 'Scale with a simpler filter',
  'cheaper-colour-conversion': () => 'Convert colours for the screen more simply',
  'lower-raw-decode': () => 'Decode raw footage at half size',
  'simpler-3d-drawing': () => 'Draw layers in depth more simply',
  'hide-drawings-on-picture': () => 'Hide what is drawn over the picture',
  'switch-off-unused-output': () => 'Switch off the second output',
  'low-resolution-window': () => 'Show the window in ordinary resolution',
  'turn-on-hardware-decode': () => 'Turn on hardware decoding',
  'turn-off-hardware-decode': () => 'Turn off hardware decoding',
  'turn-on-graphics-drawing': () => 'Let the graphics draw effects and layers',
  'turn-off-graphics-drawing': () => 'Let the processor draw effects and layers',
  'turn-off-panel-acceleration': () => 'Leave the graphics to the picture alone',
  'choose-editor-graphics': () => 'Choose the faster graphics in the editor',
  'raise-graphics-memory': () => 'Give shared graphics more memory',
  'show-proxies': () => 'Show the proxies that you have',
  'attach-proxies': (level) =>
    level === 'by-folder-swap'
      ? 'Put the proxies in the originals’ place'
      : level === 'by-name'
        ? 'Tell the editor of the proxies by their names'
        : 'Tell the editor of the proxies that you made',
  'make-proxies': (level) => `Make proxies ${level ?? 540} pixels high for the heavy clips`,
  'make-proxies-on-import': () => 'Have proxies made at every import',
  'convert-footage': () => 'Convert long-distance clips to an editing codec',
  'match-project-to-clips': () => 'Set the project up like the clips',
  'lower-project-size': (level) => `Set the project to a height of ${level ?? 1080} pixels`,
  'lower-project-rate': (level) => `Set the project to ${level ?? 25} frames a second`,
  'give-editor-memory': (level) => `Let the editor take ${formatMemory(Number(level ?? 4096))} of memory`,
  'raise-preview-memory': (level) => `Raise the preview memory to ${formatMemory(Number(level ?? 4096))}`,
  'favour-speed-over-memory': () => 'Let the editor keep more in memory',
  'use-more-threads': () => 'Let the editor use all cores',
  'clear-cache': (level) =>
    level === 'previews'
      ? 'Clear the preview cache'
      : level === 'analysis'
        ? 'Clear the analysis cache'
        : 'Clear the editor’s caches',
  'cap-cache': () => 'Set a limit to the cache',
  'cache-heavy-only': () => 'Cache only what is heavy',
  'enlarge-cache': () => 'Give the cache more room',
  'empty-cache-on-closing': () => 'Empty the cache when the editor closes',
  'choose-cache-format': () => 'Choose a lighter format for the cache',
  'free-system-drive': () => 'Free the system drive',
  'move-cache': () => 'Move the cache to a quick drive',
  'move-media': () => 'Move the footage to a quick drive',
  'close-source-panels': () => 'Close panels that show another picture',
  'unlink-panel-while-timing': () => 'Stop the second viewer from following',
  'stop-thumbnails': () => 'Stop making thumbnails and wave forms',
  'keep-media-open': () => 'Keep media files open',
  'let-builds-finish': () => 'Let what is being built finish',
  'prerender-range': () => 'Pre-render the heavy range',
  'prerender-when-idle': () => 'Let the editor pre-render while you pause',
  'import-less': () => 'Take clips off the project that you do not use',
  'trim-first': () => 'Trim before you add effects',
  'effects-last': () => 'Leave effects and colour for the end',
  'share-one-effect': () => 'Put one effect over all, not one on each',
  'split-timeline': () => 'Split the project into parts',
  'bake-section': () => 'Bake the finished section into one file',
  'render-in-parts': () => 'Export in parts',
  'faster-export-settings': () => 'Choose quicker export settings',
  'upgrade-drive': () => 'Buy a solid-state drive for footage and cache',
  'upgrade-memory': () => 'Buy more memory',
  'upgrade-graphics': () => 'Buy better graphics, or a machine that has them',
};

/** A fix as a heading; a card from a newer Oil Can may name one without text here. */
export const fixTitle = (id: string, level: FixLevel): string =>
  id in fixTitles ? fixTitles[id as FixId](level) : `A fix of a newer Oil Can (“${id}”)`;

/** Several fixes in a sentence. */
export const listFixTitles = (fixes: readonly { readonly id: string; readonly level: FixLevel }[]): string =>
  joinLabels(
    fixes.map(({ id, level }) => fixTitle(id, level)),
    '; ',
  );
