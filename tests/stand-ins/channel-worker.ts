import { type Endpoint, expose } from 'comlink';

/** Stands in for a worker: the other end of a message channel, which can be ended and can report an error. */
export class ChannelWorker extends EventTarget {
  readonly #channel = new MessageChannel();
  isTerminated = false;
  constructor(api: object) {
    super();
    this.#channel.port1.start();
    this.#channel.port2.start();
    expose(api, this.#channel.port2 as unknown as Endpoint);
  }
  postMessage(message: unknown, transfer: Transferable[] = []) {
    this.#channel.port1.postMessage(message, transfer);
  }
  override addEventListener(type: string, listener: EventListener) {
    if (type === 'message') this.#channel.port1.addEventListener(type, listener);
    else super.addEventListener(type, listener);
  }
  override removeEventListener(type: string, listener: EventListener) {
    if (type === 'message') this.#channel.port1.removeEventListener(type, listener);
    else super.removeEventListener(type, listener);
  }
  terminate() {
    this.isTerminated = true;
    this.#channel.port1.close();
    this.#channel.port2.close();
  }
}
