import { describe, expect, it, vi } from 'vitest';

vi.mock('../../api/session', () => ({ session: { preferences: { units: 'metric' } } }));

import compression from '../../../../core/src/Process/Compression/procedure.json';
import type { Procedure, RunEvent } from '../../api/types';
import { eventWords, valueWords } from './words';

const procedure = compression as unknown as Procedure;
const event = (type: string, data: Record<string, unknown>) => ({ type, data }) as unknown as RunEvent;

describe('one log entry in a few words', () => {
    it.each([
        ['started', {}, 'Run started'],
        ['step_done', { step: 'preheat' }, 'Preheat, closed: done'],
        ['step_done', { step: 'preheat', reason: 'thin' }, 'Preheat, closed: done anyway. thin'],
        ['step_done', { step: 'gone' }, 'gone: done'],
        ['confirmed', { step: 'plates', item: 'wiped' }, 'Both plates wiped'],
        ['confirmed', { step: 'plates', item: 'gone' }, 'gone'],
        ['extended', { minutes: 2, reason: 'cold day' }, 'Time changed by 2 min. cold day'],
        ['noted', { text: 'smells' }, 'smells'],
        ['aborted', { reason: 'a leak' }, 'Stopped. a leak'],
        ['closing', {}, 'No more: shutting down'],
        ['piece_begun', { piece: 2 }, 'Piece 2 begun'],
        ['piece_dropped', { piece: 2, reason: 'a hole' }, 'Piece 2 taken out. a hole'],
        ['noted', { text: 'late', piece: 3 }, 'Piece 3: late'],
    ])('%s %o', (type, data, says) => expect(eventWords(event(type, data), procedure)).toBe(says));

    it('says a logged value with its unit and an unknown entry by its name', () => {
        expect(eventWords(event('logged', { entry: 'weigh', values: { mass_g: 2166 } }), procedure)).toMatch(
            /^Scale: 2.166.g$/,
        );
        expect(eventWords(event('logged', { entry: 'else', values: {} }), procedure)).toBe('else');
        expect(
            eventWords(event('corrected', { reason: 'read wrong', values: { mass_g: 2100 } }), procedure),
        ).toContain('Correction: read wrong: ');
    });

    it('counts points instead of listing them', () => {
        const points = [{ x_mm: 0 }, { x_mm: 1 }, { x_mm: 2 }];
        expect(valueWords(procedure, 'inspection', { points })).toBe(': 3 points');
        expect(valueWords(procedure, 'pump', { strokes: 5 })).toBe(': 5 strokes');
        expect(valueWords(procedure, 'cue', { what: 'leak at the edge' })).toBe(': leak at the edge');
        expect(valueWords(procedure, 'cue', {})).toBe('');
    });
});
