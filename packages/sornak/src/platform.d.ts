// The few globals that browsers and Node share and the core relies on (WHATWG Encoding).
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean })
  decode(bytes?: Uint8Array): string
}
declare class TextEncoder {
  encode(text: string): Uint8Array
}
