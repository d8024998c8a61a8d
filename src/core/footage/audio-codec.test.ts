import { describe, expect, it } from 'vitest';
import { nameAudioCodec } from './audio-codec';

describe('nameAudioCodec', () => {
  it('names uncompressed sound as ffprobe does, in either byte order', () => {
    expect(['pcm-s16', 'pcm-s16be', 'pcm-s24', 'pcm-f32be', 'pcm-u8', 'ulaw', 'alaw'].map(nameAudioCodec)).toEqual([
      'pcm_s16le',
      'pcm_s16be',
      'pcm_s24le',
      'pcm_f32be',
      'pcm_u8',
      'pcm_mulaw',
      'pcm_alaw',
    ]);
  });
  it('leaves every other name as it is', () => {
    expect(['aac', 'opus', 'mp3'].map(nameAudioCodec)).toEqual(['aac', 'opus', 'mp3']);
  });
});
