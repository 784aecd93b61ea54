import { describe, expect, it } from 'vitest';
import { asText, counts, entryOf, numbers } from './field';
import type { Shape } from './schema';

describe('how a field is entered', () => {
    it.each<[string, Shape, string]>([
        ['polymer', { type: 'string' }, 'polymer'],
        ['file', { type: 'string' }, 'mesh'],
        ['kind', { type: 'string', enum: ['a', 'b'] }, 'choice'],
        ['runs', { type: 'array', items: { type: 'object', properties: { x: { type: 'number' } } } }, 'list'],
        ['data', { type: 'array', items: { type: 'number' } }, 'numbers'],
        ['tests', { type: 'array', items: { type: 'string' } }, 'words'],
        ['grid', { type: 'array', items: { type: 'array' } }, 'json'],
        ['machine', { type: 'object', properties: { x: { type: 'number' } } }, 'group'],
        ['people', { type: 'object', additionalProperties: { type: 'integer' } }, 'counts'],
        ['whatever', { type: 'object' }, 'json'],
        ['sheets', { type: 'integer' }, 'number'],
        ['mass_g', { type: 'number' }, 'number'],
        ['male', { type: 'boolean' }, 'boolean'],
    ])('%s is a %s', (name, shape, as) => {
        expect(entryOf(name, shape)).toBe(as);
    });
});

describe('numbers as people type them', () => {
    it.each([
        ['1 2 3', [1, 2, 3]],
        ['1,5; 2,5', [1.5, 2.5]],
        ['1, 2, 3', [1, 2, 3]],
        ['1.5\n2', [1.5, 2]],
        ['−3 4', [-3, 4]],
        ['', []],
        ['12 heavy', [12, 'heavy']],
    ])('%j are %j', (text, list) => {
        expect(numbers(text)).toEqual(list);
    });
});

describe('counts as people type them', () => {
    it.each([
        ['press: 1, saw: 2', { press: 1, saw: 2 }],
        ['hot press = 1', { hot_press: 1 }],
        ['person 2\nmould 3', { person: 2, mould: 3 }],
        ['nothing here', {}],
        ['', {}],
    ])('%j are %j', (text, map) => {
        expect(counts(text)).toEqual(map);
    });
});

describe('what stands in a field', () => {
    it('reads back as it was typed', () => {
        expect(asText('numbers', [1.5, 2])).toBe('1.5, 2');
        expect(asText('counts', { hot_press: 1, saw: 2 })).toBe('hot press: 1, saw: 2');
        expect(counts(asText('counts', { hot_press: 1, saw: 2 }))).toEqual({ hot_press: 1, saw: 2 });
        expect(asText('json', { a: [1] })).toBe('{"a":[1]}');
        expect(asText('text', 'HDPE')).toBe('HDPE');
        expect(asText('numbers', undefined)).toBe('');
    });
});
