/** Something that is called something: a group, a course, a person. */
export interface Named {
  readonly id: string;
  readonly name: string;
}
