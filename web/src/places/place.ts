import type { RouteComponent } from 'vue-router';

/** A key and what it does, as the list under `?` shows it. */
export interface KeyHelp {
  readonly key: string;
  readonly does: string;
}

/** A link beside others of its kind: the shelf's compartments, say. */
export interface PlaceTab {
  readonly group: 'shelf' | 'learning';
  readonly to: string;
  readonly title: string;
}

/**
 * A screen of the application. From this one description come its address, its link in the menu, the key that leads to
 * it, its tabs, and its lines in the list of keys.
 */
export interface Place {
  readonly name: string;
  readonly path: string;
  readonly title: string;
  readonly view: () => Promise<{ readonly default: RouteComponent }>;
  /** In the bar of the shell, under this word. */
  readonly menu?: string;
  /** The key that leads here from everywhere, and what the list of keys says of it. */
  readonly key?: KeyHelp;
  /** Keys that work on the screen itself. */
  readonly keys?: readonly KeyHelp[];
  /** What the list of keys calls the screen. */
  readonly called?: string;
  /** The place whose link in the bar is lit while this one is open. */
  readonly under?: string;
  /** Words that its help explains, by their ids in the core's catalogue. */
  readonly words?: readonly string[];
  readonly tabs?: readonly PlaceTab[];
  /** Without the shell around it. */
  readonly bare?: boolean;
  /**
   * What it asks the server for as it opens, whatever is kept in the browser: paths behind the API's prefix, parts of
   * its own path by their names. The page tells a browser of them at once.
   */
  readonly asks?: readonly string[];
  /** Seen before anybody signed in. */
  readonly open?: boolean;
}
