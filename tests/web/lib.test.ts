import { flushSync } from 'svelte';
import { expect, test } from 'vitest';
import { ApiError } from '../../resources/web/api/client';
import { Form } from '../../resources/web/lib/form.svelte';
import { Loader } from '../../resources/web/lib/load.svelte';
import { readNumber, shownNumber, typed, typedList } from '../../resources/web/lib/numbers';

test.each([
    ['12', 12],
    [' 10,5 ', 10.5],
    ['10.5', 10.5],
    ['−1,25', -1.25],
    ['-0,5°', -0.5],
    ['+3', 3],
    ['.5', 0.5],
    ['1 200', 1200],
    ['1 200,50', 1200.5],
    ['1.200,50', 1200.5],
    ['1,200.50', 1200.5],
    ['1.200', 1.2],
    ['', null],
    ['12x', null],
    ['1,2,3', null],
    ['1.2.3', null],
    ['12,00.5', null],
    ['--3', null],
    ['1e5', null],
    ['Infinity', null],
])('reads %j as %j', (text, value) => {
    expect(readNumber(text)).toBe(value);
});

test('what is no number is sent as it was typed, to be refused by name, and never as nothing', () => {
    expect(typed('12x')).toBe('12x');
    expect(typed('1.200,50')).toBe(1200.5);
    expect(typed('  ')).toBeNull();
    expect(typedList('9 10,5; 12 x')).toEqual([9, 10.5, 12, 'x']);
    expect([shownNumber(null), shownNumber(undefined), shownNumber(10.5), shownNumber('12x')]).toEqual(['', '', '10.5', '12x']);
});

test('of several answers only the latest counts, whenever it comes', async () => {
    const loader = new Loader<string>();
    let first: (value: string) => void = () => {};
    const slow = loader.load(() => new Promise((done) => (first = done)));
    expect(loader.waiting).toBe(true);
    expect(await loader.load(async () => 'second')).toBe('second');
    first('first');
    expect(await slow).toBeNull();
    expect([loader.value, loader.waiting, loader.problem]).toEqual(['second', false, '']);
});

test('an answer that fails is told, unless something else was asked for since', async () => {
    const loader = new Loader<string>();
    let fail: (error: Error) => void = () => {};
    const slow = loader.load(() => new Promise((...[, no]) => (fail = no)));
    await loader.load(async () => 'here');
    fail(new Error('gone'));
    await slow;
    expect([loader.value, loader.problem]).toEqual(['here', '']);
    await loader.load(() => Promise.reject(new Error('gone')));
    expect([loader.value, loader.problem]).toEqual(['here', 'gone']);
});

test('a form keeps what was typed, and says what is wrong with which field', async () => {
    const form = new Form({ name: 'Ann' });
    const refused = new ApiError('The loft is missing.', 422, { loft: ['The loft is missing.'] });
    const done = form.send(async () => {
        expect(form.busy).toBe(true);
        throw refused;
    });
    expect(await done).toBe(false);
    flushSync();
    expect([form.busy, form.problem, form.err('loft'), form.err('name'), form.values.name]).toEqual([
        false,
        'The loft is missing.',
        'The loft is missing.',
        '',
        'Ann',
    ]);
    expect(form.failure).toBe(refused);
    expect(await form.send(async () => 'done')).toBe(true);
    expect([form.problem, form.err('loft'), form.failure]).toEqual(['', '', null]);
});

test('what is forgotten does not come back with a late answer', async () => {
    const loader = new Loader<string>();
    let late: (value: string) => void = () => {};
    const slow = loader.load(() => new Promise((done) => (late = done)));
    loader.forget();
    late('secret');
    expect(await slow).toBeNull();
    expect([loader.value, loader.waiting]).toEqual([null, false]);
});
