import { describe, expect, it } from 'vitest';
import { describeGround } from './grounds';

describe('describeGround', () => {
  it('names four effects and counts the rest', () => {
    const blur = { kind: 'blur', layerCount: 1, strength: 'usual' } as const;
    const effects = [{ kind: 'sharpen', layerCount: 3, strength: 'usual' } as const, blur];
    expect(describeGround({ code: 'effects-listed', effects })).toBe('Sharpening on 3 layers, soft blur.');
    const many = [...effects, ...Array.from({ length: 30 }, () => blur)];
    expect(describeGround({ code: 'effects-listed', effects: many })).toBe(
      'Sharpening on 3 layers, soft blur, soft blur, soft blur, and 28 more.',
    );
    expect(describeGround({ code: 'effects-listed', effects: [{ ...blur, strength: 'strong' }] })).toBe(
      'Soft blur (strong).',
    );
  });

  it('counts pictures and titles as people do', () => {
    const layers = (videoLayerCount: number, titleCount: number, emptyCount = 0) =>
      describeGround({ code: 'layers-listed', videoLayerCount, titleCount, emptyCount });
    expect(layers(3, 0)).toBe('At once there are 3 pictures.');
    expect(layers(1, 1)).toBe('At once there are a picture and 1 title.');
    expect(layers(2, 4)).toBe('At once there are 2 pictures and 4 titles.');
    expect(layers(1, 0, 3)).toBe('At once there are a picture and 3 empty tracks.');
  });

  it('gives memory and drives in the units of their makers', () => {
    expect(describeGround({ code: 'memory-wanted', wantedMib: 7168, memoryMib: 8192 })).toBe(
      'Everything together wants about 7 GB of the 8 GB there are.',
    );
    expect(describeGround({ code: 'drive-rated', megabytePerSec: 95, wantedMegabytePerSec: 8.25 })).toBe(
      'Such a drive gives about 95 MB a second; the footage wants up to 8.3.',
    );
    expect(describeGround({ code: 'system-drive-room', freeRatio: 0.034 })).toBe(
      '3.4 % of the system’s drive are free.',
    );
  });
});
