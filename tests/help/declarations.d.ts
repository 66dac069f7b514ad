declare module 'paper/dist/paper-core.js' {
  import paper from 'paper';
  export default paper;
}

declare module 'clipper2-wasm/dist/es/clipper2z.js' {
  import type { MainModule } from 'clipper2-wasm/dist/clipper2z';
  export default function start(options: { wasmBinary: ArrayBuffer }): Promise<MainModule>;
}
