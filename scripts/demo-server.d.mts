export interface DemoServer {
  readonly address: string;
  readonly port: number;
  readonly pid: number;
  readonly data: string;
  stop(signal?: NodeJS.Signals): Promise<void>;
}
export declare function startDemoServer(options?: {
  data?: string;
  /** Copied where `data` is not there yet; it may not be open. */
  seeded?: string;
  port?: number;
  demo?: boolean;
  args?: readonly string[];
}): Promise<DemoServer>;
