/** Shows what is on the sheet from its top, whichever scrolls: the sheet, or on a phone the page. */
export function toTop(): void {
  document.getElementById('main')?.scrollTo({ top: 0 })
  window.scrollTo({ top: 0 })
}
