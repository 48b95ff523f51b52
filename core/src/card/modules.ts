import QRCode from 'qrcode';

/** What a camera reads, as dark and light modules row by row. @param text an address, or the code itself */
export function modulesOf(text: string): readonly (readonly boolean[])[] {
  const { size, data } = QRCode.create(text, { errorCorrectionLevel: 'M' }).modules;
  return Array.from({ length: size }, (_, y) => Array.from({ length: size }, (_, x) => data[y * size + x] !== 0));
}
