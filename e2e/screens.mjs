/**
 * Every screen by its path, with what stands on top of it when it is ready.
 *
 * @type {Record<string, string>}
 */
export const READY = {
    '/': 'Floor',
    '/sort': 'Sort',
    '/sort/find': 'Find the polymer',
    '/sort/sources': 'Sources',
    '/sort/deliver': 'Take a delivery in',
    '/dry': 'Dry',
    '/weigh': 'Weigh',
    '/weigh/mixes': 'Mixes',
    '/set': 'Press a sheet',
    '/run': 'Run',
    '/check': 'Check',
    '/learn': 'Learn',
    '/learn/product/1': 'hive floor panel',
    '/sort/csv': 'CSV in and out',
    '/sort/batches': 'Sort a batch',
    '/shop/machines/1': 'Anvil',
    '/shop': 'Shop',
    '/goods': 'Goods',
    '/handover': 'Hand-over',
    '/shop/procedures': 'How we work',
    '/shop/machines/new': 'A new machine',
    '/shop/products/new': 'A new product',
};
