/** A picture with a tint multiplied in. */
export function tinted(picture: HTMLCanvasElement | ImageBitmap, tint: string): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = picture.width;
  canvas.height = picture.height;
  const context = canvas.getContext('2d');
  if (!context) return canvas;
  context.drawImage(picture, 0, 0);
  context.globalCompositeOperation = 'multiply';
  context.fillStyle = tint;
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.globalCompositeOperation = 'destination-in';
  context.drawImage(picture, 0, 0);
  return canvas;
}
