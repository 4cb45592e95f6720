import wasmUrl from "./built/dialarc.wasm?url";

/** The core's program, on its way from the first moment on; the worker gets the same one and need not compile it again. */
export const compiled: Promise<WebAssembly.Module> = WebAssembly.compileStreaming(fetch(wasmUrl));

compiled.catch(() => {}); // told to whoever asks for the core
