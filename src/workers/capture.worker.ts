import { expose } from 'comlink';
import { measureCapture } from '@/adapters/browser/measure-capture';
import type { CaptureWorkerApi } from './capture.protocol';

const api: CaptureWorkerApi = { measureCapture };

expose(api);
