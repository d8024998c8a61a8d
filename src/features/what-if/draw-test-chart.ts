const chartWidthPx = 200;
const chartHeightPx = 112;

/** A part of the chart, in pixels of the viewer. */
export interface ChartArea {
  readonly xPx: number;
  readonly yPx: number;
  readonly widthPx: number;
  readonly heightPx: number;
}
export const wholeChart: ChartArea = { xPx: 0, yPx: 0, widthPx: chartWidthPx, heightPx: chartHeightPx };
/** Lines, letters and an edge: what is lost first, small enough for a line of a table. */
export const chartDetail: ChartArea = { xPx: 48, yPx: 6, widthPx: 116, heightPx: 58 };

/** The chart itself, in its own size: a fan of lines, small letters, a weave, a soft ball and slanted edges. Ours. */
function drawChart(context: CanvasRenderingContext2D): void {
  context.fillStyle = '#d9cfb8';
  context.fillRect(0, 0, chartWidthPx, chartHeightPx);
  context.strokeStyle = '#26332d';
  context.lineWidth = 0.7;
  for (let i = 0; i <= 22; i++) {
    context.beginPath();
    context.moveTo(8, 56);
    context.lineTo(74, 8 + i * 4.4);
    context.stroke();
  }
  context.fillStyle = '#26332d';
  for (const [i, sizePx] of [14, 11, 8.5, 6.5].entries()) {
    context.font = `600 ${sizePx}px 'Atkinson Hyperlegible Next Variable', sans-serif`;
    context.fillText('glaze no. 7', 82, 20 + i * 13);
  }
  for (let y = 0; y < 14; y++)
    for (let x = 0; x < 22; x++) if ((x + y) % 2 === 0) context.fillRect(82 + x * 2, 68 + y * 2, 2, 2);
  const ball = context.createRadialGradient(158, 78, 3, 164, 84, 24);
  ball.addColorStop(0, '#f4e9d2');
  ball.addColorStop(1, '#8a5a33');
  context.fillStyle = ball;
  context.beginPath();
  context.arc(164, 84, 22, 0, 2 * Math.PI);
  context.fill();
  context.fillStyle = '#b4532a';
  context.beginPath();
  context.moveTo(150, 8);
  context.lineTo(196, 16);
  context.lineTo(188, 48);
  context.closePath();
  context.fill();
}

/** A real picture in place of the chart, and how many of the page's pixels high the viewer shows it. */
export interface ViewedPicture {
  readonly picture: ImageBitmap;
  readonly viewerHeightPx: number;
}

/** Draws what of the picture an area of the viewer shows: all of it, or, at the viewer's own size, its middle. */
function drawPicture(
  context: CanvasRenderingContext2D,
  { picture, viewerHeightPx }: ViewedPicture,
  area: ChartArea,
): void {
  if (area === wholeChart) {
    const heightPx = Math.min(chartHeightPx, (chartWidthPx * picture.height) / picture.width);
    context.fillRect(0, 0, chartWidthPx, chartHeightPx);
    const widthPx = (heightPx * picture.width) / picture.height;
    context.drawImage(picture, (chartWidthPx - widthPx) / 2, (chartHeightPx - heightPx) / 2, widthPx, heightPx);
    return;
  }
  const scale = picture.height / viewerHeightPx;
  const [widthPx, heightPx] = [area.widthPx * scale, area.heightPx * scale];
  context.drawImage(
    picture,
    ...[(picture.width - widthPx) / 2, (picture.height - heightPx) / 2, widthPx, heightPx],
    ...[area.xPx, area.yPx, area.widthPx, area.heightPx],
  );
}

/**
 * Draws a part of the chart, or of a real picture, as a preview of `drawnRatio` of the viewer's lines shows it: drawn small, then
 * stretched to the viewer. At 1 or more nothing is lost. `pixelRatio` is how many pixels of the screen one of the page has.
 */
export function drawTestChart(
  canvas: HTMLCanvasElement,
  area: ChartArea,
  drawnRatio: number,
  pixelRatio: number,
  viewed: ViewedPicture | null = null,
): void {
  const { xPx, yPx, widthPx, heightPx } = area;
  const context = canvas.getContext('2d');
  if (!context) return;
  canvas.width = Math.round(widthPx * pixelRatio);
  canvas.height = Math.round(heightPx * pixelRatio);
  const scale = Math.min(1, drawnRatio);
  const small = document.createElement('canvas');
  small.width = Math.max(1, Math.round(canvas.width * scale));
  small.height = Math.max(1, Math.round(canvas.height * scale));
  const drawing = small.getContext('2d');
  if (!drawing) return;
  drawing.scale(small.width / widthPx, small.height / heightPx);
  drawing.translate(-xPx, -yPx);
  if (viewed) drawPicture(drawing, viewed, area);
  else drawChart(drawing);
  context.imageSmoothingEnabled = true;
  context.drawImage(small, 0, 0, canvas.width, canvas.height);
}
