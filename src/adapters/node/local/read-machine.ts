import {
  blockDevices,
  cpu,
  diskLayout,
  fsSize,
  graphics,
  mem,
  osInfo,
  battery as readBattery,
} from 'systeminformation';
import type { DriveKind, ReadDrive, ReadGraphics, ReadMachine } from '@/core/machine';

import { readPowerMode } from './read-power-mode';

const bytesPerMib = 2 ** 20;

const systemKinds: Readonly<Record<string, ReadMachine['system']['kind']>> = {
  linux: 'linux',
  darwin: 'macos',
  win32: 'windows',
  Windows: 'windows',
};

/** File systems that hold a person's files; the others are made by the system for itself. */
const isOfFiles = (type: string): boolean =>
  !/^(?:tmpfs|devtmpfs|squashfs|overlay|proc|sysfs|efivarfs|ramfs|autofs|fuse\.(?:snapfuse|portal|gvfsd.*))$/i.test(
    type,
  );

/** Parts of the system's own drive that are shown as drives of their own. */
const isOwnPart = (mount: string): boolean =>
  /^\/(?:boot|efi|snap|run|dev|proc|sys|var\/lib|private|System\/Volumes)(?:\/|$)/.test(mount);

/** The last name of where a drive is mounted: the folders before it may hold a person's name. */
const labelOf = (mount: string): string => {
  if (/^[A-Za-z]:/.test(mount)) return mount.slice(0, 2).toUpperCase();
  return mount === '/' ? '/' : (mount.split('/').findLast((part) => part !== '') ?? mount).slice(0, 60);
};

const kindOf = (type: string, bus: string, isRemovable: boolean): DriveKind | null => {
  if (/^(?:nfs|cifs|smb|smbfs|afpfs|webdav|sshfs|fuse\.sshfs)/i.test(type)) return 'network';
  const isOutside = isRemovable || /usb|firewire|thunderbolt/i.test(bus);
  if (/sd card|mmc/i.test(bus)) return 'memory-card';
  if (/nvme|ssd/i.test(type) || /nvme/i.test(bus)) return isOutside ? 'external-solid-state' : 'internal-solid-state';
  return /hd|hdd/i.test(type) ? (isOutside ? 'external-spinning' : 'internal-spinning') : null;
};

/** Without the controls that Linux calls graphics and without what only mirrors a screen. */
const isPicture = (model: string): boolean => !/basic display|remote|virtual display|mirror/i.test(model);

const bounded = (text: string): string => text.trim().slice(0, 80);

async function readGraphics(): Promise<readonly ReadGraphics[]> {
  const { controllers } = await graphics();
  return controllers
    .filter(({ model }) => isPicture(model))
    .map(({ model, vram, vramDynamic, bus }) => ({
      name: bounded(model),
      // Memory that the system lends as it is needed is the machine's own.
      isSeparate: vramDynamic
        ? false
        : vram !== null && vram >= 1024
          ? true
          : /onboard|built-in/i.test(bus)
            ? false
            : null,
      memoryMib: vram === null || vram <= 0 ? null : vram,
    }));
}

async function readDrives(): Promise<readonly ReadDrive[]> {
  const [sizes, layout, blocks] = await Promise.all([fsSize(), diskLayout(), blockDevices()]);
  const rows = sizes.filter(({ type, mount, size }) => isOfFiles(type) && !isOwnPart(mount) && size > 1e9);
  return rows.slice(0, 40).map(({ fs, mount, size, available, type }) => {
    const block = blocks.find((device) => device.mount === mount || device.name === fs.replace(/^\/dev\//, ''));
    const disk = layout.find(
      ({ device }) => device !== '' && (fs.startsWith(device) || block?.device?.startsWith(device)),
    );
    const label = labelOf(mount);
    return {
      label,
      kind: kindOf(
        disk?.type || block?.physical || type,
        disk?.interfaceType || block?.protocol || '',
        block?.removable ?? false,
      ),
      sizeGb: Math.round(size / 1e8) / 10,
      freeGb: Math.round(available / 1e8) / 10,
      isSystem: label === '/' || label === 'C:',
    };
  });
}

/** Reads what this computer is. Nothing of whose it is: no names of hosts or persons, no serial numbers, no folders. */
export async function readLocalMachine(): Promise<ReadMachine> {
  const [processor, memory, cards, drives, power, powerMode, system] = await Promise.all([
    cpu(),
    mem(),
    readGraphics(),
    readDrives(),
    readBattery(),
    readPowerMode(),
    osInfo(),
  ]);
  return {
    system: {
      kind: systemKinds[system.platform] ?? 'other',
      name: bounded(system.distro),
      version: bounded(system.release),
    },
    processor: {
      name: bounded(`${processor.manufacturer} ${processor.brand}`),
      coreCount: processor.cores,
      clockGhz: processor.speed > 0 ? processor.speed : null,
    },
    memory: { totalMib: Math.round(memory.total / bytesPerMib), freeMib: Math.round(memory.available / bytesPerMib) },
    graphics: cards,
    drives,
    battery: power.hasBattery ? { isPluggedIn: power.acConnected, percent: power.percent } : null,
    powerMode,
  };
}
