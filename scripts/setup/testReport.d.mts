/** What failed in a run of the test runner, a line each. @param report as the runner's JSON reporter writes it */
export function failuresOf(
  report: {
    readonly testResults?: readonly {
      readonly name: string;
      readonly status: string;
      readonly message?: string;
      readonly assertionResults?: readonly {
        readonly status: string;
        readonly fullName: string;
        readonly failureMessages?: readonly string[];
      }[];
    }[];
  },
  root: string,
): string[];
