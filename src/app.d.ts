import type { Application, Staff } from '#server/app/application.ts';
import type { Settings } from '#server/settings.ts';

declare global {
	namespace App {
		interface Locals {
			app: Application;
			settings: Settings;
			/** Who is signed in. */
			staff?: Staff;
			/** Of the session. */
			token?: string;
		}
		interface Error {
			message: string;
			/** By which the log's entry is found. */
			code?: string;
		}
	}
}
export {};
