/** Files of launch data that are read. */
export const LAUNCH_FILES = '.csv,.txt,.tsv,.xlsx,.ods,text/csv,text/plain';

/** What one screen hands to the next: a file to be read, and what to say there. Each is taken once. */
const waiting: { file: File | null; note: string } = { file: null, note: '' };

export const hand = (what: Partial<typeof waiting>): void => void Object.assign(waiting, what);

export function takeFile(): File | null {
    const { file } = waiting;
    waiting.file = null;
    return file;
}

export function takeNote(): string {
    const { note } = waiting;
    waiting.note = '';
    return note;
}
