/** What a command prints and ends with: 0, or 1 for a failure that is described in what it prints. */
export interface CommandOutput {
  readonly exitCode: 0 | 1;
  readonly json: unknown;
  /** For a person to read, beside the output. */
  readonly messages?: string;
}
