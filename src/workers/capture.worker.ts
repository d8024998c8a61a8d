import { expose } from 'comlink';
import { measureCapture } from '@/adapters/browser/measure-capture';
import type { CaptureWorkerApi } from './capture.protocol';

let finish: () => void = () => undefined;

const api: CaptureWorkerApi = {
  measureCapture: (frames, request, onProgress) => {
    const finished = new Promise<void>((resolve) => {
      finish = resolve;
    });
    return measureCapture(frames, request, onProgress, finished);
  },
  finishCapture: () => finish(),
};

expose(api);
