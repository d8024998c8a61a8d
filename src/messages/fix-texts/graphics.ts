import type { FixText } from './types';

export const graphicsTexts = {
  'turn-on-hardware-decode': {
    steps: () => [
      'Save the project first.',
      'Switch on decoding by the graphics for the formats that you use.',
      'Restart the editor: most only take the change then.',
    ],
    where: 'Usually in the settings under playback, performance or media.',
    check: 'While playing, the system’s monitor shows the graphics’ video decoder at work and the processor calmer.',
    cost: 'nothing in the picture; with a faulty driver it can be worse than before',
    putBack: null,
  },
  'turn-off-hardware-decode': {
    steps: () => [
      'Save the project first.',
      'Switch off decoding by the graphics.',
      'Restart the editor: most only take the change then.',
    ],
    where: 'Usually in the settings under playback, performance or media.',
    check: 'While playing, the graphics’ video decoder rests and the processor works.',
    cost: 'some of the processor’s time',
    putBack: null,
  },
  'turn-on-graphics-drawing': {
    steps: () => [
      'Save the project first.',
      'Choose the graphics for rendering and effects.',
      'Restart the editor: most only take the change then.',
    ],
    where: 'Usually in the settings under playback, performance or media.',
    check: 'While playing effects, the system’s monitor shows the graphics at work.',
    cost: 'nothing in the picture; with a faulty driver it can be worse than before',
    putBack: null,
  },
  'turn-off-graphics-drawing': {
    steps: () => [
      'Save the project first.',
      'Choose the processor alone for rendering and effects.',
      'Restart the editor: most only take the change then.',
    ],
    where: 'Usually in the settings under playback, performance or media.',
    check: 'While playing effects, the graphics rest and the processor works.',
    cost: 'the speed that sound graphics would bring',
    putBack: null,
  },
  'turn-off-panel-acceleration': {
    steps: () => [
      'Find the setting that draws the editor’s own windows with the graphics.',
      'Switch it off.',
      'Save, and restart the editor.',
    ],
    where: 'Usually in the settings under interface or performance.',
    check: 'Graphics memory in use falls in the system’s monitor.',
    cost: 'smooth scrolling in the editor’s lists',
    putBack: null,
  },
  'choose-editor-graphics': {
    steps: () => [
      'Save the project first.',
      'Choose the faster graphics in the editor’s own list.',
      'Restart the editor.',
    ],
    where: 'Usually in the settings under playback, performance or media.',
    check: 'The editor’s information page names the faster graphics.',
    cost: 'some battery life',
    putBack: null,
  },
  'raise-graphics-memory': {
    steps: () => [
      'If your editor limits its graphics memory, raise that first: no restart of the machine is needed.',
      'Else save all, and restart into the firmware’s settings.',
      'Raise the memory set apart for the graphics by one step, save there, and start as usual.',
    ],
    where:
      'A key while the computer starts, often Delete or F2: its maker’s page names it. It is called BIOS or UEFI set-up there. Not every machine has this setting.',
    check: 'The system’s graphics page shows the larger amount.',
    cost: 'as much of the memory for programs',
    putBack: null,
  },
} as const satisfies Readonly<Record<string, FixText>>;
