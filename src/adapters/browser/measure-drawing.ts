import { blendCost, effectMs } from '@/core/load';
import { isDrawnInSoftware } from './machine-probe';

/** The preview's sizes that are drawn, in lines. */
const heightsPx = [360, 720, 1080, 2160] as const;
/** Pictures of each size: enough that the one wait for all of them does not count. */
const pictureCount = 12;

const vertexShader = `#version 300 es
out vec2 at;
void main() {
  vec2 corner = vec2(float((gl_VertexID << 1) & 2), float(gl_VertexID & 2));
  at = corner;
  gl_Position = vec4(corner * 2.0 - 1.0, 0.0, 1.0);
}`;
/** A blur along one axis over nine pixels. */
const blurShader = `#version 300 es
precision highp float;
in vec2 at;
uniform sampler2D picture;
uniform vec2 stepBy;
out vec4 colour;
void main() {
  vec4 sum = vec4(0.0);
  for (int i = -4; i <= 4; i++) sum += texture(picture, at + stepBy * float(i));
  colour = sum / 9.0;
}`;
/** A layer that can half be seen through. */
const layerShader = `#version 300 es
precision highp float;
in vec2 at;
uniform sampler2D picture;
out vec4 colour;
void main() { colour = vec4(texture(picture, at).rgb, 0.5); }`;

function compile(gl: WebGL2RenderingContext, fragment: string): WebGLProgram {
  const program = gl.createProgram();
  for (const [kind, source] of [
    [gl.VERTEX_SHADER, vertexShader],
    [gl.FRAGMENT_SHADER, fragment],
  ] as const) {
    const shader = gl.createShader(kind);
    if (!shader) throw new Error('measureDrawing: no shader');
    gl.shaderSource(shader, source);
    gl.compileShader(shader);
    gl.attachShader(program, shader);
  }
  gl.linkProgram(program);
  if (!gl.getProgramParameter(program, gl.LINK_STATUS))
    throw new Error(`measureDrawing: ${gl.getProgramInfoLog(program)}`);
  return program;
}

/** A picture on the graphics that can be drawn into. */
function createTarget(gl: WebGL2RenderingContext, widthPx: number, heightPx: number) {
  const texture = gl.createTexture();
  gl.bindTexture(gl.TEXTURE_2D, texture);
  gl.texStorage2D(gl.TEXTURE_2D, 1, gl.RGBA8, widthPx, heightPx);
  gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_S, gl.CLAMP_TO_EDGE);
  gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_T, gl.CLAMP_TO_EDGE);
  const frame = gl.createFramebuffer();
  gl.bindFramebuffer(gl.FRAMEBUFFER, frame);
  gl.framebufferTexture2D(gl.FRAMEBUFFER, gl.COLOR_ATTACHMENT0, gl.TEXTURE_2D, texture, 0);
  return { texture, frame };
}

/** Waits until everything that was asked of the graphics is done: one pixel is read back. */
const settle = (gl: WebGL2RenderingContext): void =>
  gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));

/** Milliseconds for a blur and a layer over it at one size, on the graphics. */
function timeSize(gl: WebGL2RenderingContext, heightPx: number, nowMs: () => number): number {
  const widthPx = Math.round((heightPx * 16) / 9);
  const [blur, layer] = [compile(gl, blurShader), compile(gl, layerShader)];
  const [a, b] = [createTarget(gl, widthPx, heightPx), createTarget(gl, widthPx, heightPx)];
  const stepBy = gl.getUniformLocation(blur, 'stepBy');
  gl.viewport(0, 0, widthPx, heightPx);
  const draw = (from: WebGLTexture | null, into: WebGLFramebuffer | null): void => {
    gl.bindTexture(gl.TEXTURE_2D, from);
    gl.bindFramebuffer(gl.FRAMEBUFFER, into);
    gl.drawArrays(gl.TRIANGLES, 0, 3);
  };
  const choose = (program: WebGLProgram): void => {
    // biome-ignore lint/correctness/useHookAtTopLevel: a call of WebGL, whose name begins like a hook's.
    gl.useProgram(program);
  };
  const drawPicture = (): void => {
    gl.disable(gl.BLEND);
    choose(blur);
    gl.uniform2f(stepBy, 1 / widthPx, 0);
    draw(a.texture, b.frame);
    gl.uniform2f(stepBy, 0, 1 / heightPx);
    draw(b.texture, a.frame);
    gl.enable(gl.BLEND);
    gl.blendFunc(gl.SRC_ALPHA, gl.ONE_MINUS_SRC_ALPHA);
    choose(layer);
    draw(a.texture, b.frame);
  };
  drawPicture();
  settle(gl);
  const fromMs = nowMs();
  for (let i = 0; i < pictureCount; i++) drawPicture();
  settle(gl);
  const elapsedMs = nowMs() - fromMs;
  for (const { texture, frame } of [a, b]) {
    gl.deleteFramebuffer(frame);
    gl.deleteTexture(texture);
  }
  return elapsedMs / pictureCount;
}

/** What one blur and one layer cost on the reference core at a size. */
function referenceMsAt(heightPx: number): number {
  const megapixels = (heightPx * Math.round((heightPx * 16) / 9)) / 1e6;
  return effectMs('blur', megapixels) + blendCost.fixedMs + blendCost.msPerMegapixel * megapixels;
}

/**
 * What a blur and a layer cost on the graphics from 360 to 2160 lines, and would cost on the reference core, in
 * milliseconds. Null where the browser has no graphics, or draws in software. Rejects where the graphics refuse the work.
 */
export async function measureDrawing(
  nowMs: () => number,
): Promise<{ readonly graphicsMs: number; readonly referenceMs: number } | null> {
  const gl = new OffscreenCanvas(16, 16).getContext('webgl2');
  if (!gl) return null;
  try {
    if (isDrawnInSoftware(gl)) return null;
    let [graphicsMs, referenceMs] = [0, 0];
    for (const heightPx of heightsPx) {
      graphicsMs += timeSize(gl, heightPx, nowMs);
      referenceMs += referenceMsAt(heightPx);
      await new Promise((resolve) => setTimeout(resolve, 0));
    }
    return { graphicsMs, referenceMs };
  } finally {
    gl.getExtension('WEBGL_lose_context')?.loseContext();
  }
}
