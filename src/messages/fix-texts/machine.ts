import type { FixText } from './types';

export const machineTexts = {
  'close-programs': {
    steps: () => [
      'Save what is open in them, then quit each program marked as safe to close.',
      'Look beside the clock as well: sync, chat and scan programs often stay there when their window is closed.',
      'Pause a running scan or sync rather than removing it.',
    ],
    where:
      'Windows: right-click the taskbar, Task Manager. macOS: Activity Monitor. Linux: the system monitor. Sort by processor use.',
    check: 'The processor use outside the editor should fall below about a tenth.',
    cost: 'what those programs do for you while you edit',
    putBack: {
      what: 'Resume what was paused: scans, sync, messages',
      why: 'A paused scan or sync protects nothing until it runs again.',
      seen: 'Each program’s mark says that it is running or up to date.',
    },
  },
  'raise-power-mode': {
    steps: () => [
      'Plug in the charger that came with the machine.',
      'Choose the power mode that leaves the machine its full speed.',
      'Raise the back so that air gets under it, and clear its vents.',
    ],
    where: 'Windows: Settings, System, Power. macOS: System Settings, Battery. Linux: the power menu of the panel.',
    check: 'The processor’s clock in the system’s monitor stays near its stated speed while playing.',
    cost: 'battery life, and some noise from the fan',
    putBack: {
      what: 'Power mode: back to balanced',
      why: 'On battery the full mode empties it quickly.',
      seen: 'The system’s power settings say balanced.',
    },
  },
  'stop-startup-programs': {
    steps: () => [
      'List what starts when the computer starts.',
      'Switch off what you do not need every day.',
      'Save, and restart the computer.',
    ],
    where:
      'Windows: Task Manager, Startup apps. macOS: System Settings, General, Login Items. Linux: the session’s startup settings.',
    check: 'After the restart they are not in the list of running programs.',
    cost: 'having those programs ready at once',
    putBack: null,
  },
  'assign-fast-graphics': {
    steps: () => [
      'Open the system’s list of programs and their graphics.',
      'Choose the faster graphics for the editor.',
      'Save, and restart the editor.',
    ],
    where:
      'Windows: Settings, System, Display, Graphics; a program that is missing there is added by its program file. macOS: Battery options, automatic graphics switching. Linux: the graphics settings of the panel.',
    check: 'While playing, the system’s monitor shows the faster graphics at work.',
    cost: 'some battery life',
    putBack: null,
  },
  'update-software': {
    steps: () => [
      'Save, and note which version of the editor you have.',
      'Install the updates of the system and the graphics driver from their makers.',
      'Update the editor within its main version, and restart.',
    ],
    where: 'The editor’s help or start menu; the system’s update page; the site of the graphics’ maker.',
    check: 'The version numbers have changed, and a test project opens as before.',
    cost: 'half an hour, and a small risk that something else changes',
    putBack: null,
  },
  'reset-editor': {
    steps: () => [
      'Save, and write down the settings that you rely on.',
      'Set the settings back to how they came.',
      'Restart the editor and set the few things that you need.',
    ],
    where: 'Usually at the end of the settings, or by a key held while the editor starts.',
    check: 'The editor’s windows look as they did on the first day.',
    cost: 'your own arrangement of windows and keys',
    putBack: null,
  },
  'reinstall-editor': {
    steps: () => [
      'Save all projects to another place.',
      'Remove the editor with its own uninstaller and restart.',
      'Install it again, in its newest version.',
    ],
    where: 'The system’s list of programs, and the editor’s maker.',
    check: 'It starts as new, and your project opens in it.',
    cost: 'an hour, your settings, and perhaps add-ons',
    putBack: null,
  },
} as const satisfies Readonly<Record<string, FixText>>;
