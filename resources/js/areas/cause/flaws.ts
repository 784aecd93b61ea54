import type { FlawMap } from '../../api/types';

type Mark = FlawMap['marks'][number];
const within = (share: number) => Math.min(1, Math.max(0, share));

/** Where on the part a finger is, as a share of its length. */
export const along = (clientX: number, at: { left: number; width: number }): number =>
    within((clientX - at.left) / at.width);

/** And of its width: from below, as a drawing is read. */
export const across = (clientY: number, at: { top: number; height: number }): number =>
    within(1 - (clientY - at.top) / at.height);

/** Where a mark is drawn, mm from the upper left corner. */
export const placed = (
    mark: Pick<Mark, 'along' | 'across'>,
    size: { length: number; width: number },
): { x: number; y: number } => ({ x: mark.along * size.length, y: (1 - mark.across) * size.width });

export const cross = (x: number, y: number, arm: number): string =>
    `M${x - arm} ${y - arm}L${x + arm} ${y + arm}M${x - arm} ${y + arm}L${x + arm} ${y - arm}`;

/** What those of one kind say together; what to do where there is none. */
export const verdict = (map: FlawMap, kind: string | null): string =>
    map.kinds.find((k) => k.id === kind)?.says ??
    (map.marks.length === 0 ? 'Nothing is marked yet.' : 'None of this kind is marked.');
