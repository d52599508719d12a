/** Text of others, read from their files, as the database can keep it: what no text can have is marked as lost. */
export const storable = (text: string): string => text.replace(/[\0\p{Surrogate}]/gu, '\ufffd');
