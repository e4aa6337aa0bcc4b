/**
 * `npm run staff -- LOGIN "Name" ROLE MAIL [LEVEL]`: adds a member of staff; the password comes on
 * standard input.
 */
import { readFileSync } from 'node:fs';
import { findPasswordFault } from '#core/access/password.ts';
import { ROLES, type Role } from '#core/access/table.ts';
import { formatInitials } from '#core/people/names.ts';
import { hashPassword } from '#server/access/accounts.ts';
import { newId } from '#server/app/ids.ts';
import { exists } from '#server/db/sql.ts';
import { openApplication } from '#server/open.ts';
import { readSettings } from '#server/settings.ts';
import { addStaff } from '#server/staff/commands.ts';
import { end } from './end.ts';

const isRole = (role: string): role is Role => (ROLES as readonly string[]).includes(role);

const [login, name, role, email, level = 'senior'] = process.argv.slice(2);
if (!login || !name || !role || !email)
	end('npm run staff -- LOGIN "Name" ROLE MAIL [LEVEL], the password on standard input');
if (!/^[a-z][a-z0-9.-]{1,40}$/.test(login))
	end('The login is of small letters, digits, dots and hyphens.');
if (!isRole(role)) end(`The role is one of ${ROLES.join(', ')}.`);
if (!process.env.KITE_DATA) end('KITE_DATA is missing.');
const password = readFileSync(0, 'utf8').trim();
const fault = findPasswordFault(password, [login, name]);
if (fault) end(fault);
const app = openApplication(readSettings(process.env));
if (exists(app.db, 'SELECT 1 FROM staff WHERE login = @login', { login }))
	end(`${login} is taken.`);
const result = addStaff(
	{ ...app, actor: { guest: 'setup' } },
	{
		id: newId('stf'),
		login,
		name,
		initials: formatInitials(name),
		email,
		role,
		level,
		passwordHash: await hashPassword(password),
		demo: false
	}
);
app.db.close();
if (!result.ok) end(Object.values(result.errors).join(' '));
console.log(`${name} may sign in as ${login}.`);
