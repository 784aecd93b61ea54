/** What a run's screen asks about before it is logged. */
export type Asked = 'anyway' | 'stop' | 'note' | 'more' | 'scrap' | 'drop';
