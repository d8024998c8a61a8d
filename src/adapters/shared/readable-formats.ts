import { ADTS, FLAC, type InputFormat, MATROSKA, MP3, MP4, MPEG_TS, OGG, QTFF, WAVE, WEBM } from 'mediabunny';

/** Every form that is read. Play lists are left out: they would lead to other files and to the network. */
export const readableFormats: InputFormat[] = [MP4, QTFF, MATROSKA, WEBM, MPEG_TS, WAVE, MP3, OGG, FLAC, ADTS];
