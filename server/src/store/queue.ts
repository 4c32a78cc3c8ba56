/** Runs pieces of work one after another, in the order they came; one that fails does not stop the next. */
export function oneAtATime(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const mine = last.then(work, work);
    last = mine.catch(() => undefined);
    return mine;
  };
}
