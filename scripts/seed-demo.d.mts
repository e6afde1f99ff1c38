export function waitForServer(address: string): Promise<void>;
export function seedDemo(address: string): Promise<void>;
