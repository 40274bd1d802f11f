import styles from './line-map.css?raw'

/** The light palette: a saved picture is looked at on paper. */
const PALETTE = ['paper', 'sheet', 'enamel', 'ink', 'quiet', 'rule', 'oxide', 'on-oxide', 'wheel']
const CIRCUITS = ['circuit-0', 'circuit-1', 'circuit-2', 'circuit-3']
/** Dots across: sharp on A4. */
const PNG_WIDTH = 1600

/** Each colour as the page has it in its light theme, whatever theme is on now. */
function lightColours(): string {
  const probe = document.createElement('span')
  probe.style.colorScheme = 'light'
  document.body.append(probe)
  const colours = [...PALETTE, ...CIRCUITS].map((name) => {
    probe.style.color = `var(--${name})`
    return `--color-${name}:${getComputedStyle(probe).color}`
  })
  probe.remove()
  return colours.join(';')
}

/** The whole map as a file of its own, with its look inside and no zoom. */
function standalone(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement
  const [, , width = '', height = ''] = svg.getAttribute('viewBox')?.split(' ') ?? []
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', width)
  copy.setAttribute('height', height)
  copy.querySelector(':scope > g')?.removeAttribute('transform')
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style')
  style.textContent = `svg{${lightColours()};background:var(--color-sheet);font-family:'Atkinson Hyperlegible Next Variable','Atkinson Hyperlegible Next',sans-serif}${styles}`
  copy.prepend(style)
  return new XMLSerializer().serializeToString(copy)
}

function download(blob: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}

const fileName = (name: string, ending: string) =>
  `${
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'line-map'
  }.${ending}`

export function saveSvg(svg: SVGSVGElement, name: string): void {
  download(new Blob([standalone(svg)], { type: 'image/svg+xml' }), fileName(name, 'svg'))
}

export async function savePng(svg: SVGSVGElement, name: string): Promise<void> {
  const url = URL.createObjectURL(new Blob([standalone(svg)], { type: 'image/svg+xml' }))
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    const canvas = document.createElement('canvas')
    canvas.width = PNG_WIDTH
    canvas.height = Math.round((PNG_WIDTH * image.height) / image.width)
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
    canvas.toBlob((blob) => blob && download(blob, fileName(name, 'png')))
  } finally {
    URL.revokeObjectURL(url)
  }
}
