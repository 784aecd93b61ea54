import type { Goods } from '../../api/types';

/** What is done to its pieces after their run, in a line. */
export const titlesOf = (goods: Goods): string => goods.operations.map((o) => o.title).join(', ');
