/** The arrow keys of a radio button at a place among others beside it: they choose the one before or after, and go there. */
export const rove =
  (at: number, count: number, choose: (to: number) => void) => (e: React.KeyboardEvent<HTMLElement>) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    const to = at + by;
    if (to < 0 || to >= count) return;
    choose(to);
    (e.currentTarget.parentElement?.children[to] as HTMLElement | undefined)?.focus();
  };
