import { type Drawn, rect } from '../drawn';

export const MACHINES: Record<string, Drawn> = {
    extruder: {
        size: [320, 180],
        cold: [rect(16, 50, 54, 60), 'M90 58L102 24h36l12 34z', rect(236, 120, 70, 40)],
        // The vent stands on the barrel past the hopper.
        hot: [rect(70, 58, 140, 12), rect(70, 92, 140, 12), rect(70, 70, 150, 22)],
        measures: [
            {
                fact: 'screw_diameter_mm',
                line: [100, 70, 100, 92],
                how: 'on its plate, or a calliper when it is out',
            },
            {
                fact: 'throughput_kg_h',
                line: [220, 81, 262, 81],
                how: 'what comes in three minutes at the speed you work with, on the scale, times twenty',
            },
            {
                fact: 'barrel_volume_cm3',
                line: [70, 116, 210, 116],
                how: 'what comes when it is run empty, grams over density',
            },
            {
                fact: 'vent_kpa',
                line: [176, 40, 176, 58],
                how: 'the air here less what its gauge shows with the pump on; the air itself where it only stands open',
            },
            {
                fact: 'bath_c',
                line: [290, 124, 290, 156],
                how: 'a thermometer in the tank, after an hour of work',
            },
            {
                fact: 'tank_places',
                line: [236, 170, 306, 170],
                how: 'how many moulds lie in it beside one another',
            },
        ],
    },
    bar_mould: {
        size: [320, 140],
        cold: [rect(40, 40, 240, 18), rect(40, 82, 240, 18), rect(20, 52, 20, 36)],
        hot: [rect(40, 58, 240, 24)],
        measures: [
            { fact: 'length_mm', line: [40, 116, 280, 116], how: 'inside, from the gate to its end' },
            { fact: 'height_mm', line: [296, 58, 296, 82], how: 'inside' },
            { fact: 'diameter_mm', line: [160, 58, 160, 82], how: 'inside, of a round one' },
            { fact: 'mould_kg', line: [40, 26, 280, 26], how: 'empty, on the scale' },
        ],
    },
};
