import bwipjs from 'bwip-js/node'

/** A label's code as a Code 128 barcode, an SVG picture. @source ISO/IEC 15417 (recalled), by bwip-js */
export const barcodeSvg = (code: string): string =>
  bwipjs.toSVG({ bcid: 'code128', text: code, height: 12, paddingwidth: 4, includetext: false })

/** The same as dots, for whoever wants to read it back. */
export const barcodePng = (code: string): Promise<Buffer> =>
  bwipjs.toBuffer({
    bcid: 'code128',
    text: code,
    height: 12,
    paddingwidth: 10,
    scale: 3,
    includetext: false,
    backgroundcolor: 'FFFFFF',
  })
