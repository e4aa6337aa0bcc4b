/** What the sorts of address are called. */
export const CONTACT_WORDS = {
	mail: 'Mail',
	phone: 'Phone',
	address: 'Address',
	web: 'Website'
} as const;
