import type { Page } from '@playwright/test'

/** What of a page is not as it should be for hands and eyes. */
export type Misfit = {
  what: 'sideways' | 'below the fold' | 'small' | 'cut' | 'out of its box'
  where: string
}

/**
 * How a page fits its window as it opens: nothing sideways, its main action in sight, no control smaller than a finger,
 * no text cut, none past the edge of its own button.
 *
 * @param leastPx how high and wide a control is at least
 */
export const misfits = (page: Page, leastPx: number): Promise<Misfit[]> =>
  page.evaluate(async (least) => {
    // What is drawn to the window's size is drawn anew with its next frame.
    for (let i = 0; i < 2; i++) await new Promise(requestAnimationFrame)
    const found: Misfit[] = []
    const name = (of: Element) =>
      `${of.tagName.toLowerCase()}.${String(of.getAttribute('class') ?? '')
        .split(' ')
        .slice(0, 3)
        .join('.')} “${(of.getAttribute('aria-label') ?? of.textContent ?? '').trim().slice(0, 50)}”`
    const shown = (of: Element) =>
      of.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true })
    scrollTo(0, 0)
    const { clientWidth, clientHeight, scrollWidth } = document.documentElement
    if (scrollWidth > clientWidth + 1) {
      const wide = [...document.querySelectorAll('body *')].filter(
        (of) => shown(of) && of.getBoundingClientRect().right > clientWidth + 1,
      )
      found.push({ what: 'sideways', where: `${scrollWidth} px: ${wide.slice(0, 3).map(name).join(', ')}` })
    }
    // A form of which less shows than its bar is high, after what the page is read for, brings its own action along.
    const begun = (of: Element) =>
      (of.closest('form')?.getBoundingClientRect().top ?? 0) +
        (of.closest('.action-bar')?.getBoundingClientRect().height ?? 0) <
      clientHeight
    const main = [...document.querySelectorAll('.button-main, .now-act button')].filter(
      (of) => shown(of) && begun(of),
    )
    if (main.length > 0 && !main.some((of) => of.getBoundingClientRect().bottom <= clientHeight))
      found.push({
        what: 'below the fold',
        where: main.map((of) => `${name(of)} at ${Math.round(of.getBoundingClientRect().bottom)}`).join(', '),
      })
    for (const of of document.querySelectorAll('a[href], button, input, select, textarea, summary')) {
      if (!shown(of) || of.matches('[type=hidden], .sr-only, :disabled')) continue
      // A link in a sentence is as high as its line; a box or a ring answers with its whole label.
      const inSentence =
        of.tagName === 'A' &&
        getComputedStyle(of).display === 'inline' &&
        of.parentElement?.textContent?.trim() !== of.textContent?.trim()
      if (inSentence || of.closest('svg')) continue
      const target = of.closest('label') ?? of
      const { width, height } = target.getBoundingClientRect()
      if (width === 0 || height === 0) continue
      if (height < least - 0.5 || width < least - 0.5)
        found.push({ what: 'small', where: `${name(of)} ${Math.round(width)} × ${Math.round(height)}` })
    }
    for (const of of document.querySelectorAll('button, a.button, summary')) {
      if (!shown(of) || of.closest('.sr-only')) continue
      const box = of.getBoundingClientRect()
      const words = document.createTreeWalker(of, NodeFilter.SHOW_TEXT)
      let out = false
      while (words.nextNode()) {
        const said = words.currentNode.parentElement
        // What only a reader hears is a pixel wide; a sign beside the words may be turned.
        if (!said || said.getBoundingClientRect().width <= 1 || said.closest('[aria-hidden=true]')) continue
        const range = document.createRange()
        range.selectNode(words.currentNode)
        for (const { left, right, top, bottom } of range.getClientRects())
          out ||= left < box.left - 1 || right > box.right + 1 || top < box.top - 1 || bottom > box.bottom + 1
      }
      if (out) found.push({ what: 'out of its box', where: name(of) })
    }
    for (const of of document.querySelectorAll('body *')) {
      if (!shown(of) || of.closest('svg, .sr-only, textarea, select')) continue
      const { overflowX, overflowY } = getComputedStyle(of)
      const cutX = overflowX === 'hidden' || overflowX === 'clip'
      const cutY = overflowY === 'hidden' || overflowY === 'clip'
      if ((cutX && of.scrollWidth > of.clientWidth + 1) || (cutY && of.scrollHeight > of.clientHeight + 2))
        if ((of.textContent ?? '').trim() !== '' && of.clientWidth > 1)
          found.push({ what: 'cut', where: name(of) })
    }
    return found
  }, leastPx)
