/**
 * The part of WebAssembly's JavaScript interface used here; Node's own types leave it to the DOM's.
 */
declare namespace WebAssembly {
  type Module = object
  interface Memory {
    readonly buffer: ArrayBuffer
    grow(pages: number): number
  }
  function compile(bytes: Uint8Array): Promise<Module>
  function instantiate(module: Module, imports: object): Promise<{ exports: object }>
}
