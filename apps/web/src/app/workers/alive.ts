/// <reference lib="webworker" />
// Held as long as this worker lives: whoever started it waits for the same lock, and learns of its end however it comes.
if ('locks' in navigator && self.name) void navigator.locks.request(self.name, () => new Promise<void>(() => undefined));
