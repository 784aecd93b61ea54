import { type Drawn, rect } from '../drawn';

const FRAME = [rect(30, 20, 14, 160), rect(236, 20, 14, 160), rect(30, 20, 220, 16), rect(30, 164, 220, 16)];

export const MACHINES: Record<string, Drawn> = {
    hot_press: {
        size: [280, 200],
        cold: [...FRAME, rect(124, 36, 32, 34), rect(70, 92, 140, 5), rect(70, 113, 140, 5)],
        hot: [rect(64, 70, 152, 22), rect(64, 118, 152, 22)],
        measures: [
            { fact: 'bed_length_mm', line: [64, 152, 216, 152], how: 'of the heated face, a rule along it' },
            {
                fact: 'bed_width_mm',
                line: [226, 70, 226, 92],
                how: 'of the heated face, from front to back',
            },
            {
                fact: 'plate_mm',
                line: [56, 113, 56, 118],
                how: 'a calliper on the loose plate that lies on the sheet; both are as thick',
            },
            {
                fact: 'heater_kw',
                line: [140, 118, 140, 140],
                how: 'on the plate of each cartridge, added up for one platen; or a meter’s kWh over the hours it heats without a rest',
            },
            {
                fact: 'platen_kj_k',
                line: [90, 70, 90, 92],
                how: 'its kilograms times 0.46 for steel, 0.90 for aluminium',
            },
        ],
    },
    cold_press: {
        size: [280, 200],
        cold: [...FRAME, rect(124, 36, 32, 34), rect(64, 70, 152, 26), rect(64, 114, 152, 26)],
        hot: [rect(72, 96, 136, 18)],
        measures: [
            { fact: 'bed_length_mm', line: [64, 152, 216, 152], how: 'of the cold face, a rule along it' },
            { fact: 'bed_width_mm', line: [226, 70, 226, 96], how: 'of the cold face, from front to back' },
        ],
    },
};
