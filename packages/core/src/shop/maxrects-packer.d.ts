// The package's main file is no module although it says so; Node takes the module beside it.
declare module 'maxrects-packer/dist/maxrects-packer.mjs' {
  export * from 'maxrects-packer';
}
