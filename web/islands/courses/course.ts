/** An exercise as courses choose among them. */
export interface Choosable {
  readonly id: string;
  readonly title: string;
  /** Its newest version; 0: it is not published. */
  readonly version: number;
}
