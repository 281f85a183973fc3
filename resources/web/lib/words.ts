import { IntlMessageFormat } from 'intl-messageformat';

/** What a player reads, in their language: one file a language, the same that the server prints from. */
type Tree = { [key: string]: string | Tree };
const FILES = import.meta.glob<{ default: Tree }>('../../words/*.json');
const nameOf = (path: string) => path.slice(path.lastIndexOf('/') + 1, -'.json'.length);

/** Languages that there are words of, English first. */
export const LANGUAGES = Object.keys(FILES)
    .map(nameOf)
    .sort((a, b) => (a === 'en' ? -1 : b === 'en' ? 1 : a.localeCompare(b)));

/** As it is called in English: "German". */
export const languageName = (language: string): string => new Intl.DisplayNames('en', { type: 'language' }).of(language) ?? language;

export class Words {
    private made: Record<string, IntlMessageFormat> = {};

    constructor(
        readonly language: string,
        private readonly tree: Tree,
        private readonly english: Tree,
    ) {}

    private find(key: string): string | null {
        for (const tree of [this.tree, this.english]) {
            const found = key
                .split('.')
                .reduce<string | Tree | undefined>((at, part) => (typeof at === 'object' ? at[part] : undefined), tree);
            if (typeof found === 'string') return found;
        }
        return null;
    }
    has = (key: string): boolean => this.find(key) !== null;

    /** The message of a key; what stands in its braces is given. A key that is missing is shown, so that it is found. */
    say = (key: string, given: Record<string, string | number> = {}): string => {
        this.made[key] ??= new IntlMessageFormat(this.find(key) ?? key, this.language);
        return String(this.made[key].format(given));
    };
    number = (value: number, digits = 0): string =>
        new Intl.NumberFormat(this.language, { minimumFractionDigits: digits, maximumFractionDigits: digits, useGrouping: false })
            .format(Number(value.toFixed(digits)) === 0 ? 0 : value)
            .replace('-', '−');
    date = (iso: string): string =>
        new Intl.DateTimeFormat(this.language === 'en' ? 'en-GB' : this.language, { dateStyle: 'long' }).format(new Date(iso));
}

export async function wordsOf(language: string): Promise<Words> {
    const tree = async (wanted: string): Promise<Tree | null> => {
        const path = Object.keys(FILES).find((p) => nameOf(p) === wanted);
        return path === undefined ? null : (await FILES[path]!()).default;
    };
    const english = (await tree('en'))!;
    return new Words(language, (await tree(language)) ?? english, english);
}

/** The language of this browser, where there are words of it. */
export function ownLanguage(): string {
    return navigator.languages.map((l) => l.slice(0, 2)).find((l) => LANGUAGES.includes(l)) ?? 'en';
}
