/** One choice from the shelf: what is offered, what is chosen, and what speaks against it. */
export interface Pick {
  readonly label: string;
  readonly placeholder: string;
  readonly options: PickOption[];
  readonly chosen: string | null;
  readonly warnings: readonly string[];
  readonly choose: (value: string | null) => void;
}

export interface PickOption {
  readonly value: string;
  readonly words: string;
}
