import type { RouteLocationRaw } from 'vue-router';
import { encode } from './link';
import type { Entry, Values } from './schema';

/** What an answer is good for elsewhere: a charge goes to the scale, a measured mesh to the shot, the clamp and the mould. */
export function onwardOf(
    name: string,
    asked: Values,
    m: Values | null,
    entries: Entry[],
): { to: RouteLocationRaw; title: string }[] {
    const grams = m?.charge_mass_g ?? m?.shot_mass_g;
    if (name.startsWith('charge.') && typeof grams === 'number' && typeof asked.polymer === 'string')
        return [
            {
                to: {
                    path: '/weigh',
                    query: { g: String(Math.round(grams * 10) / 10), polymer: asked.polymer },
                },
                title: 'Weigh it out',
            },
        ];
    if (name !== 'mesh.measure' || !m) return [];
    const digits = (v: unknown) => Number(Number(v).toPrecision(5));
    const given = (of: string, values: Values) => ({
        to: {
            path: `/reckon/${of}`,
            query: {
                i: encode({ ...(entries.find((e) => e.name === of)?.example ?? {}), ...values }),
            },
        },
        title: entries.find((e) => e.name === of)?.title ?? of,
    });
    return [
        ...(m.volume_cm3 === null ? [] : [given('charge.shot', { part_volume_cm3: digits(m.volume_cm3) })]),
        given('force.clamp', { projected_area_cm2: digits(m.projected_area_cm2) }),
        ...(m.min_draft_deg === null
            ? []
            : [
                  given('forming.mould_check', {
                      draft_deg: Math.max(0, digits(m.min_draft_deg)),
                      male: asked.male !== false,
                  }),
              ]),
    ];
}
