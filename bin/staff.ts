/** `npm run staff -- LOGIN "Name" ROLE MAIL [LEVEL]`: adds a member of staff; the password comes on standard input. */
import { readFileSync } from 'node:fs';
import { ROLES } from '#core/access/table.ts';
import { initials } from '#core/people/names.ts';
import { newId } from '#server/ids.ts';
import { addStaff, hashPassword } from '#server/trust/accounts.ts';
import { openWorld, readSettings } from '#server/world.ts';

const [login, name, role, email, level = 'senior'] = process.argv.slice(2);
const end = (words: string): never => {
	console.error(words);
	process.exit(1);
};
if (!login || !name || !role || !email)
	end('npm run staff -- LOGIN "Name" ROLE MAIL [LEVEL], the password on standard input');
if (!/^[a-z][a-z0-9.-]{1,40}$/.test(login!))
	end('The login is of small letters, digits, dots and hyphens.');
if (!(ROLES as readonly string[]).includes(role!)) end(`The role is one of ${ROLES.join(', ')}.`);
if (!process.env.KITE_DATA) end('KITE_DATA is missing.');
const password = readFileSync(0, 'utf8').trim();
if (password.length < 12) end('The password has fewer than 12 characters.');
const world = openWorld(readSettings(process.env));
if (world.db.prepare('SELECT 1 FROM staff WHERE login = ?').get(login)) end(`${login} is taken.`);
const r = addStaff(
	{ ...world, actor: { guest: 'setup' } },
	{
		id: newId('stf'),
		login: login!,
		name: name!,
		initials: initials(name!),
		email: email!,
		role: role!,
		level,
		passwordHash: await hashPassword(password),
		demo: false
	}
);
world.db.close();
if (!r.ok) end(Object.values(r.errors).join(' '));
console.log(`${name} may sign in as ${login}.`);
