/** Templates, and what one would ask for on a matter. */
import { listMissing } from '#core/templates/merge.ts';
import { findMatter } from '#server/access/visibility.ts';
import { actingStaff, type Application, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { makeMergeData } from './merge-data.ts';
import type { TemplateRow } from './rows.ts';
import { tagsTask } from './tasks.ts';

export const listTemplates = ({
	db
}: Pick<Application, 'db'>): Pick<TemplateRow, 'id' | 'name' | 'description'>[] =>
	all(db, 'SELECT id, name, description FROM template ORDER BY name');

/** A template with its file. @throws Refused beside the field that chose it */
export function requireTemplate(app: Application, id: string): { name: string; docx: Buffer } {
	const template = maybeOne<TemplateRow>(app.db, 'SELECT * FROM template WHERE id = @id', { id });
	if (!template) throw new Refused('Choose a template.', 'templateId');
	return { name: template.name, docx: app.files.get(template.sha256) };
}

export type TemplateNeeds = { name: string; missing: string[] };

/**
 * What the template would ask for on this matter: names without a value. Undefined where either is
 * not there.
 */
export async function findTemplateNeeds(
	ctx: Context,
	matterId: string,
	templateId: string
): Promise<TemplateNeeds | undefined> {
	const me = actingStaff(ctx);
	const matter = findMatter(ctx.db, me, { id: matterId });
	if (!matter) return undefined;
	try {
		const { name, docx } = requireTemplate(ctx, templateId);
		const tags = await ctx.work.run(tagsTask, { docx });
		return { name, missing: listMissing(tags, makeMergeData(ctx, matter, me)) };
	} catch (error) {
		if (error instanceof Refused) return undefined;
		throw error;
	}
}
