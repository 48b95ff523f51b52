declare module 'gltf-validator' {
  interface Report {
    readonly issues: { readonly messages: readonly { readonly code: string; readonly message: string }[] };
    readonly info: { readonly version: string };
  }
  const validator: { validateBytes(bytes: Uint8Array): Promise<Report> };
  export default validator;
}
