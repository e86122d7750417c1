export function startApplication(url: string, files: string): Promise<{ readonly port: number; stop(signal?: NodeJS.Signals): Promise<void> }>;
