import type { CauseId } from '@/core/causes';

/** What each cause is called; apart from the longer texts, which the wall of cards does not need. */
export const causeTitles: Readonly<Record<CauseId, string>> = {
  'programs-busy': 'Other programs keep the processor busy',
  'power-or-heat': 'The processor is held back',
  'memory-short': 'Memory runs short',
  'drive-slow': 'The drive is too slow for this footage',
  'hardware-decode-off': 'Hardware decoding is off',
  'graphics-drawing-off': 'The editor does not draw on the graphics',
  'decode-heavy': 'The originals are too heavy to decode',
  'effects-heavy': 'The effects are too heavy',
  'layers-heavy': 'Blending layers takes too long',
  'preview-too-large': 'The preview picture is too large',
  'system-drive-full': 'The system drive is full',
  'cache-misplaced': 'The cache lies on a slow drive',
  'software-stale': 'Software is out of date or damaged',
  'hardware-decode-unreliable': 'Hardware decoding makes it worse',
  'graphics-drawing-unreliable': 'Drawing on the graphics makes it worse',
  'graphics-memory-short': 'Graphics memory runs short',
  'wrong-graphics': 'The slower graphics do the work',
  'building-previews': 'The editor is busy building',
  'proxies-not-shown': 'Proxies exist and are not shown',
  'panel-reads-originals': 'An open panel decodes the originals',
  'project-mismatch': 'The project is larger than what is delivered',
  'preview-overdone': 'The preview does more than it must',
  'nothing-explains-it': 'Nothing here explains it',
};
