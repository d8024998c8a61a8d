import type { CardMachine } from '@/core/card';

interface BatteryManager {
  readonly charging: boolean;
}

/** Drawing in software, by the names under which browsers report it: then there are no graphics that they can use. */
const softwareDrawing = /swiftshader|llvmpipe|software|basic render/i;

/** The name of the graphics as WebGL states it, or null where it does not. */
function graphicsNameOf(context: WebGLRenderingContext | WebGL2RenderingContext): string | null {
  const info = context.getExtension('WEBGL_debug_renderer_info');
  const name: unknown = info ? context.getParameter(info.UNMASKED_RENDERER_WEBGL) : null;
  return typeof name === 'string' ? name : null;
}

/** Whether a browser draws by the processor, by the name that it gives its graphics. */
export const isDrawnInSoftware = (context: WebGL2RenderingContext): boolean =>
  softwareDrawing.test(graphicsNameOf(context) ?? '');

/** The name of this computer's graphics as the browser states it; null where it does not. */
export function readGraphicsName(): string | null {
  const context = document.createElement('canvas').getContext('webgl');
  if (!context) return null;
  const name = graphicsNameOf(context);
  context.getExtension('WEBGL_lose_context')?.loseContext();
  return name;
}

/** The system's name as the browser states it; empty where it does not. */
function readPlatform(): string {
  const stated: unknown = Reflect.get(Object(Reflect.get(navigator, 'userAgentData')), 'platform');
  return typeof stated === 'string' && stated !== '' ? stated : navigator.platform;
}

async function readCharging(): Promise<boolean | null> {
  const getBattery: unknown = Reflect.get(navigator, 'getBattery');
  if (typeof getBattery !== 'function') return null;
  const battery = (await getBattery.call(navigator)) as BatteryManager;
  return battery.charging;
}

/**
 * What this browser states of the computer it runs on. Every fact carries the source `read`; what the browser
 * does not state is left out. Browsers round memory down and cap it (at 8 GB in most), so only less than that is
 * told; and they do not tell shared graphics from separate ones, so only drawing in software is.
 */
export async function readBrowserMachine(): Promise<Partial<CardMachine>> {
  const read = <T>(value: T) => ({ value, source: 'read' as const });
  const memoryGib: unknown = Reflect.get(navigator, 'deviceMemory');
  const platform = readPlatform();
  const graphicsName = readGraphicsName();
  const isCharging = await readCharging();
  return {
    ...(navigator.hardwareConcurrency > 0 && { coreCount: read(Math.min(256, navigator.hardwareConcurrency)) }),
    ...(typeof memoryGib === 'number' && memoryGib < 8 && { memoryMib: read(Math.max(512, memoryGib * 1024)) }),
    ...(graphicsName !== null && softwareDrawing.test(graphicsName) && { graphics: read('none' as const) }),
    ...(platform !== '' && { programPercent: read(/^win/i.test(platform) ? 'all-cores' : 'one-core') }),
    ...(isCharging !== null && { isPluggedIn: read(isCharging ? 'yes' : 'no') }),
  };
}
