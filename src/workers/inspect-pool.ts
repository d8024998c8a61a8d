import { createInspectClient, type InspectClient } from './inspect.client';

/** How many files are read at once. More gain nothing: two workers keep a drive and the modest machine's cores busy. */
export const inspectWorkerCount = 2;

/**
 * Several clients as one: each file goes to the one that has fewest waiting. A file that hangs holds up its own worker alone.
 * `createClient` is replaced in tests.
 */
export function createInspectPool(
  createClient: () => InspectClient = createInspectClient,
  count = inspectWorkerCount,
): InspectClient {
  const lanes: { readonly client: InspectClient; waitingCount: number }[] = Array.from({ length: count }, () => ({
    client: createClient(),
    waitingCount: 0,
  }));
  return {
    inspect: async (file) => {
      const lane = lanes.reduce((least, each) => (each.waitingCount < least.waitingCount ? each : least));
      lane.waitingCount++;
      const answer = await lane.client.inspect(file);
      lane.waitingCount--;
      return answer;
    },
    cancel: () => {
      for (const { client } of lanes) client.cancel();
    },
    dispose: () => {
      for (const { client } of lanes) client.dispose();
    },
  };
}
