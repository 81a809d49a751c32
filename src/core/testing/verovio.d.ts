declare module 'verovio/wasm' {
  export default function createModule(): Promise<unknown>;
}
declare module 'verovio/esm' {
  export class VerovioToolkit {
    constructor(module: unknown);
    loadData(data: string): boolean;
    renderToTimemap(options?: object): { qstamp: number; on?: string[] }[];
  }
}
