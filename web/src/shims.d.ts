declare module '@fontsource-variable/atkinson-hyperlegible-next';
declare module '@fontsource-variable/atkinson-hyperlegible-mono';

/** The library's own posts, through which it asks and tells; it ships no types for them. */
declare module 'primevue/confirmationeventbus' {
  const bus: import('@primeuix/utils/eventbus').EventBusOptions;
  export default bus;
}
declare module 'primevue/toasteventbus' {
  const bus: import('@primeuix/utils/eventbus').EventBusOptions;
  export default bus;
}
