import type { Staff } from '#server/command.ts';

declare global {
	namespace App {
		interface Locals {
			staff?: Staff;
			token?: string;
		}
		interface Error {
			message: string;
			code?: string;
		}
	}
}
export {};
