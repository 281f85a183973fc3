/**
 * A number as a person types it: a decimal comma or point, any minus, spaces around it or between thousands, a unit sign of degrees behind it. Where both marks stand in
 * it, the last is the decimal one and the others part thousands. Null where it is no number, or nothing.
 */
export function readNumber(text: string): number | null {
    const bare = text
        .replace(/[\s\u00a0\u202f']/g, '')
        .replace(/°$/, '')
        .replace('−', '-');
    const decimal = Math.max(bare.lastIndexOf(','), bare.lastIndexOf('.'));
    const mark = bare[decimal];
    const whole = decimal < 0 ? bare : bare.slice(0, decimal);
    const other = mark === ',' ? '.' : ',';
    // A mark that parts thousands has three digits behind it each time.
    if (decimal >= 0 && whole.includes(other) && !/^[+-]?\d{1,3}([.,]\d{3})+$/.test(whole)) return null;
    if (decimal >= 0 && whole.includes(mark!)) return null;
    const plain = whole.replaceAll(other, '') + (decimal < 0 ? '' : `.${bare.slice(decimal + 1)}`);
    return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}

/** What is sent of a number: the number where it is one, else what was typed, so that it is refused by name; null where nothing was. */
export function typed(text: string): number | string | null {
    return text.trim() === '' ? null : (readNumber(text) ?? text);
}

/** Several numbers in one field, parted by spaces or semicolons. */
export function typedList(text: string): (number | string)[] {
    return text
        .split(/[\s;]+/)
        .filter((part) => part !== '')
        .map((part) => readNumber(part) ?? part);
}

/** A kept number in a field that it can be changed in. */
export const shownNumber = (value: number | string | null | undefined): string =>
    value === null || value === undefined ? '' : String(value);
