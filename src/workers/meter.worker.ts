import { expose } from 'comlink';
import { measureRecording } from '@/adapters/browser/measure-recording';
import type { MeterWorkerApi } from './meter.protocol';

const api: MeterWorkerApi = { measureRecording };

expose(api);
