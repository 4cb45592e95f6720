declare module "*/built/wasm_exec.js";
declare module "*.wasm?url" {
  const url: string;
  export default url;
}
