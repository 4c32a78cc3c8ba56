import { inject, provide, type InjectionKey } from 'vue';

/**
 * Something a view gives to all components below it.
 * @param what how it is called where it is missing
 */
export function provided<T>(what: string): { readonly give: (value: T) => T; readonly take: () => T } {
  const key: InjectionKey<T> = Symbol(what);
  return {
    give: (value) => {
      provide(key, value);
      return value;
    },
    take: () => {
      const value = inject(key);
      if (value === undefined) throw new Error(`No ${what} is provided above this component.`);
      return value;
    },
  };
}
