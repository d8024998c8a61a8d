import type { GrabbedFrame } from '@/adapters/browser/grab-frame';
import type { JobCard } from '@/core/card';
import type { ProxyRecipe } from '@/core/proxies';

/** What can stand beside the original: its proxy, a preview quality, or a preview height. */
export const comparedViews = ['original', 'proxy', 'half', 'quarter', 'lines-540', 'lines-360'] as const;
export type ComparedView = (typeof comparedViews)[number];

const shareOf: Partial<Record<ComparedView, number>> = { half: 1 / 2, quarter: 1 / 4 };
const linesOf: Partial<Record<ComparedView, number>> = { 'lines-540': 540, 'lines-360': 360 };

/** What each of them is called beside the picture. */
export const viewNames = ({ lines }: ProxyRecipe): Readonly<Record<ComparedView, string>> => ({
  original: 'Original',
  proxy: `Proxy, ${lines} lines`,
  half: 'Quality 1/2',
  quarter: 'Quality 1/4',
  'lines-540': '540 high',
  'lines-360': '360 high',
});

/** Lines that a preview of a view has: of the timeline's own, or so many. */
const previewLines = (view: ComparedView, timelineLines: number): number =>
  Math.min(timelineLines, linesOf[view] ?? timelineLines * (shareOf[view] ?? 1));

/** The views that differ on this card. */
export const viewsFor = (card: JobCard, hasProxy: boolean): readonly ComparedView[] =>
  comparedViews.filter((view) => {
    if (view === 'original') return false;
    if (view === 'proxy') return hasProxy;
    return shareOf[view] !== undefined || (linesOf[view] ?? 0) < card.timeline.heightPx;
  });

/** How large the pictures stand on the page, and what of the original they show. */
export interface StageSize {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Pixels of the original for one of the page's. */
  readonly scale: number;
  readonly timelineLines: number;
}

const widestPx = 740;
const tallestPx = 416;

/** The whole picture as high as the viewer is, or as much of its middle as fits, pixel by pixel. */
export function stageOf(
  original: { readonly width: number; readonly height: number },
  at: 'viewer' | 'pixels',
  viewerHeightPx: number,
): StageSize {
  if (at === 'viewer')
    return {
      widthPx: Math.round((viewerHeightPx * original.width) / original.height),
      heightPx: viewerHeightPx,
      scale: original.height / viewerHeightPx,
      timelineLines: original.height,
    };
  return {
    widthPx: Math.min(widestPx, original.width),
    heightPx: Math.min(tallestPx, original.height),
    scale: 1,
    timelineLines: original.height,
  };
}

/** Draws one view: what a preview of so few lines keeps is drawn small first, then stretched, as previews do. */
export function drawView(
  canvas: HTMLCanvasElement,
  { original, proxy }: GrabbedFrame,
  view: ComparedView,
  { widthPx, heightPx, scale, timelineLines }: StageSize,
  pixelRatio: number,
): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  canvas.width = Math.round(widthPx * pixelRatio);
  canvas.height = Math.round(heightPx * pixelRatio);
  context.imageSmoothingQuality = 'high';
  const picture = view === 'proxy' && proxy ? proxy : original;
  // The part that is seen, in the pixels of the picture that is drawn: of a smaller picture it has fewer.
  const ratio = picture.height / original.height;
  const [width, height] = [widthPx * scale * ratio, heightPx * scale * ratio];
  const part = [(picture.width - width) / 2, (picture.height - height) / 2, width, height] as const;
  const lines = previewLines(view, timelineLines);
  if (view === 'original' || view === 'proxy' || lines >= timelineLines) {
    context.drawImage(picture, ...part, 0, 0, canvas.width, canvas.height);
    return;
  }
  const small = document.createElement('canvas');
  small.width = Math.max(1, Math.round((part[2] * lines) / timelineLines));
  small.height = Math.max(1, Math.round((part[3] * lines) / timelineLines));
  const drawing = small.getContext('2d');
  if (!drawing) return;
  drawing.imageSmoothingQuality = 'high';
  drawing.drawImage(picture, ...part, 0, 0, small.width, small.height);
  context.drawImage(small, 0, 0, canvas.width, canvas.height);
}
