export const sizes = [
  [1280, 800],
  [1024, 768],
  [800, 1280],
  [390, 844],
] as const;

/** What sticks out of the window, what is cut without a title, and what is too small for a finger: 44 px, or 24 px inside running text. */
export function faults(): string[] {
  const out: string[] = [];
  const wide = document.documentElement.scrollWidth;
  if (wide > innerWidth) {
    const widest = [...document.querySelectorAll('body *')]
      .filter((e) => e.getBoundingClientRect().right > innerWidth + 1)
      .map(
        (e) =>
          `${e.tagName.toLowerCase()}.${String((e as HTMLElement).className)
            .split(' ')
            .slice(0, 2)
            .join('.')}`,
      )
      .slice(0, 3);
    out.push(`${wide} px wide: ${widest.join(', ')}`);
  }
  const cut = [...document.querySelectorAll<HTMLElement>('body *')].filter((e) => {
    const own = [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim() !== '');
    if (!own || !e.checkVisibility() || e.closest('svg, .sr, input, textarea')) return false;
    const over = e.scrollWidth > e.clientWidth + 1 && getComputedStyle(e).overflowX === 'hidden';
    const box = e.closest('.ledger > .cellbox, .ledger > * > *')?.getBoundingClientRect();
    const out_ = box !== undefined && e.getBoundingClientRect().right > box.right + 1;
    return (over && !e.closest('[title]')) || out_;
  });
  out.push(...new Set(cut.map((e) => `cut: “${e.textContent!.trim().slice(0, 30)}”`)));
  const small = [
    ...document.querySelectorAll<HTMLElement>(
      'a[href], button, [role=tab], .ant-select, .ant-picker, label.ant-checkbox-wrapper',
    ),
  ]
    .filter((e) => e.checkVisibility() && !e.closest('svg, .sr'))
    .map((e) => ({ e, box: e.getBoundingClientRect() }))
    .filter(
      ({ e, box }) =>
        box.width > 0 &&
        Math.min(box.height, box.width) <
          (getComputedStyle(e).display === 'inline' || e.matches('label') ? 20 : 43),
    )
    .map(
      ({ e, box }) =>
        `${e.tagName.toLowerCase()} “${(e.textContent ?? '').trim().slice(0, 24)}” ${Math.round(box.width)} × ${Math.round(box.height)}`,
    );
  return [...out, ...new Set(small)];
}
