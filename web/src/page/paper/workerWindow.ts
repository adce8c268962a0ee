// pdf.js asks its `window` for the address and for animation frames; in a worker both are its own.
// In a module of its own because it must be there before pdf.js is.
Object.assign(globalThis, { window: globalThis })
