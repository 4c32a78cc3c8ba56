export interface ShippedPackage {
  readonly path: string;
  readonly name: string;
  readonly version: string;
  readonly licence: string;
}

/** Packages that the application is made of, by name. */
export function shippedPackages(lock: unknown): ShippedPackage[];
/** One text with every package that ships and the words of its licence. */
export function noticesText(packages: readonly ShippedPackage[], textOf: (path: string) => string | null): string;
