import { type Drawn, rect } from '../drawn';

export const MACHINES: Record<string, Drawn> = {
    vacuum_former: {
        size: [320, 200],
        cold: [rect(60, 96, 150, 8), rect(70, 104, 130, 46), rect(232, 104, 60, 60), rect(200, 126, 32, 6)],
        hot: [rect(56, 30, 158, 22)],
        measures: [
            { fact: 'bed_length_mm', line: [60, 86, 210, 86], how: 'inside the clamp' },
            { fact: 'bed_width_mm', line: [46, 96, 46, 104], how: 'inside the clamp, from front to back' },
            {
                fact: 'heater_c',
                line: [130, 30, 130, 52],
                how: 'a touch thermometer or an infrared one on its face, hot',
            },
            {
                fact: 'box_l',
                line: [130, 108, 130, 146],
                how: 'length × width × depth under the sheet, and the hose',
            },
            { fact: 'tank_l', line: [262, 104, 262, 164], how: 'on its plate, or filled with water once' },
            {
                fact: 'speed_l_min',
                line: [200, 176, 232, 176],
                how: 'on the pump’s plate: how much air it takes',
            },
        ],
    },
    forming_mould: {
        size: [300, 170],
        cold: ['M70 130L92 50h116l22 80z', rect(40, 130, 220, 12)],
        hot: [],
        measures: [
            { fact: 'length_mm', line: [70, 154, 230, 154], how: 'at its foot' },
            { fact: 'depth_mm', line: [248, 50, 248, 130], how: 'from its foot to the highest place' },
            { fact: 'draft_deg', line: [62, 118, 84, 56], how: 'from upright: a bevel and a protractor' },
            {
                fact: 'corner_radius_mm',
                line: [92, 38, 110, 38],
                how: 'of the sharpest corner: a radius gauge',
            },
            { fact: 'vent_mm', line: [148, 50, 154, 66], how: 'the drill that made the holes' },
        ],
    },
};
