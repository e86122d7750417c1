export declare function buildWorker(): Promise<void>;
export declare function ensureBuilt(): Promise<void>;
