/** Takes away what stood where the bar is now: it was written into the page, for the time until the application is there. */
export const opened = (): void => {
  document.getElementById('opening')?.remove();
};
