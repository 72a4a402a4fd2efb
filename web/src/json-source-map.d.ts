/** Reads JSON and tells where in the text each part stands. */
declare module 'json-source-map' {
  interface Place {
    line: number;
    column: number;
    pos: number;
  }
  interface Pointer {
    key?: Place;
    keyEnd?: Place;
    value: Place;
    valueEnd: Place;
  }
  const jsonMap: { parse: (json: string) => { data: unknown; pointers: Record<string, Pointer> } };
  export default jsonMap;
}
