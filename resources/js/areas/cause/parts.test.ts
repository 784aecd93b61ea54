import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Case } from '../../api/types';
import { buttonOf, shown, textOf } from '../../tests/mount';
import CauseList from './CauseList.vue';
import QuestionCard from './QuestionCard.vue';

afterEach(() => vi.unstubAllGlobals());

describe('the question that would tell most', () => {
    const card = (question: object, bands: object[] = [], busy = false) =>
        shown(QuestionCard, {
            question: {
                id: 'q',
                kind: 'ask',
                text: 'Is it at the gate?',
                choices: ['yes', 'no', 'unknown'],
                ...question,
            },
            bands,
            title: 'One question',
            busy,
        });

    it('is answered by a word that a hand can give', async () => {
        const ask = await card({});
        expect(textOf(ask)).toContain('Is it at the gate?');
        await ask.findAll('button')[0]!.trigger('click');
        await ask.findAll('button')[2]!.trigger('click');
        expect(ask.emitted('answer')).toEqual([
            ['answered', { question: 'q', answer: 'yes' }],
            ['answered', { question: 'q', answer: 'unknown' }],
        ]);
    });

    it('about something that is read takes a word of it', async () => {
        const ask = await card({ kind: 'read', id: 'smell', choices: ['none', 'sharp'] });
        await ask.findAll('button')[1]!.trigger('click');
        expect(ask.emitted('answer')).toEqual([['read', { signal: 'smell', word: 'sharp' }]]);
    });

    it('about a number is answered by a band, by the number itself, or by not knowing', async () => {
        const bands = [
            { says: 'under 5 K', value: 2.5 },
            { says: '5 K and more', value: 10 },
        ];
        const ask = await card({ kind: 'read', id: 'face_diff_k', choices: [] }, bands);
        await buttonOf(ask, '5 K and more').trigger('click');
        await ask.get('input').setValue('-3,5');
        await ask.get('form').trigger('submit');
        await buttonOf(ask, 'Can\u2019t tell'.replace('\u2019', "'")).trigger('click');
        expect(ask.emitted('answer')).toEqual([
            ['read', { signal: 'face_diff_k', number: 10 }],
            ['read', { signal: 'face_diff_k', number: -3.5 }],
            ['read', { signal: 'face_diff_k' }],
        ]);
    });

    it('takes no empty number, and nothing while an answer is under way', async () => {
        const ask = await card({ kind: 'read', id: 'n', choices: [] }, []);
        await ask.get('form').trigger('submit');
        expect(ask.emitted('answer')).toBeUndefined();
        const busy = await card({}, [], true);
        expect(busy.findAll('button').every((b) => b.attributes('disabled') !== undefined)).toBe(true);
    });
});

describe('the causes', () => {
    const cause = (id: string, probability: number) => ({
        id,
        name: `cause ${id}`,
        probability,
        why: `because of ${id}`,
        for: id === 'a' ? [{ of: 's1', says: 'the melt was cold' }] : [],
        against: id === 'a' ? [{ of: 's2', says: 'the mould was warm' }] : [],
    });
    const list = (many: number) =>
        shown(CauseList, {
            about: {
                ranking: {
                    causes: 'abcdef'
                        .slice(0, many)
                        .split('')
                        .map((id, i) => cause(id, 0.5 / (i + 1))),
                },
                shop: [{ cause: 'cause a', confirmed: 3, failed: 1 }],
            } as unknown as Case,
        });

    it('stand with what speaks for and against each, and what this shop found', async () => {
        const text = textOf(await list(2));
        expect(text).toContain('cause a50 %');
        expect(text).toContain('+ the melt was cold');
        expect(text).toContain('− the mould was warm');
        expect(text).toContain('here 3 times it was, 1 times not');
    });

    it('are the four likeliest until one wants them all', async () => {
        const all = await list(6);
        expect(all.findAll('li')).toHaveLength(4);
        await buttonOf(all, '2 less likely').trigger('click');
        expect(all.findAll('li')).toHaveLength(6);
        await buttonOf(all, 'Fewer').trigger('click');
        expect(all.findAll('li')).toHaveLength(4);
        expect(textOf(await list(3))).not.toContain('less likely');
    });

    it('say why when they are opened, one at a time', async () => {
        const all = await list(3);
        await all.findAll('li button')[0]!.trigger('click');
        expect(textOf(all)).toContain('because of a');
        await all.findAll('li button')[1]!.trigger('click');
        expect(textOf(all)).not.toContain('because of a');
        expect(textOf(all)).toContain('because of b');
        await all.findAll('li button')[1]!.trigger('click');
        expect(textOf(all)).not.toContain('because of b');
    });
});
