/** Words that names are made of, for comparing them. */
const words = (text: string): ReadonlySet<string> => new Set(text.trim().split(/\s+/));
/** Legal forms: said, not part of the name. */
export const SUFFIXES = words(`
	inc incorporated corp corporation co company llc llp lp lllp pllc pc ltd limited plc
	gmbh mbh ag kg ohg sa sas sarl bv nv oy oyj ab asa aps spa srl pty pte sdn bhd cv ug
	se lc
`);
/** Titles and little words: said, not part of the name. */
export const NOISE = words(`
	the and of mr mrs ms miss dr prof hon jr sr ii iii iv esq phd md et und y
`);
/** They belong to a name and tell little. */
export const PARTICLES = words(`
	van von der den de del della di da dos du la le los el al bin ibn ter ten zu st
	saint
`);
/** Words that many companies share: they tell little. */
export const GENERIC = words(`
	group holding holdings international global services service solutions systems
	partners partner associates associated bros brothers sons industries enterprises
	marine maritime logistics insurance catering engineering staffing fuel properties
	property dredging ticketing provisions surveying advocates chandlery towage coatings
	shipping lines line transport trading management consulting capital technologies
	technology foods food supply supplies agency law legal bank trust fund foundation
	university college hospital city county state department north south east west new
	united american national pacific atlantic bay harbor harbour port
`);
/** Given names by which the same person may go, a group a line. */
export const SHORT_FORMS = [
	'william bill will billy willy',
	'robert bob rob robbie bobby',
	'richard dick rick rich',
	'elizabeth liz beth betty eliza lisa',
	'margaret maggie meg peggy',
	'katherine kate kathy katie kat',
	'james jim jimmy jamie',
	'john jack johnny',
	'michael mike mick',
	'thomas tom tommy',
	'edward ed eddie ted ned',
	'charles charlie chuck',
	'alexander alex sandy sasha',
	'alexandra alex sandra sasha',
	'joseph joe joey',
	'anthony tony',
	'andrew andy drew',
	'daniel dan danny',
	'david dave',
	'samuel sam',
	'samantha sam',
	'susan sue susie',
	'patricia pat patty tricia',
	'patrick pat paddy',
	'stephen steve steven',
	'christopher chris kit',
	'christine chris tina christina',
	'nicholas nick',
	'matthew matt',
	'benjamin ben',
	'gregory greg',
	'jennifer jen jenny',
	'rebecca becky',
	'victoria vicky',
	'theodore ted theo',
	'leonard leo len',
	'leopold leo',
	'francis frank',
	'frederick fred',
	'henry harry hank',
	'lawrence larry',
	'philip phil',
	'raymond ray',
	'ronald ron',
	'timothy tim',
	'walter walt',
	'deborah debbie deb',
	'dorothy dot dorit',
	'sean shawn shaun',
	'geoffrey jeffrey jeff geoff'
].map((names) => names.split(' '));
