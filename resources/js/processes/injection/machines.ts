import { type Drawn, rect } from '../drawn';

export const MACHINES: Record<string, Drawn> = {
    plunger_injector: {
        size: [280, 220],
        cold: [
            rect(128, 20, 24, 62),
            'M40 34L240 20v8L40 42z',
            rect(96, 196, 88, 14),
            rect(131, 164, 18, 14),
        ],
        hot: [rect(112, 84, 16, 80), rect(152, 84, 16, 80), rect(128, 104, 24, 60)],
        measures: [
            {
                fact: 'barrel_diameter_mm',
                line: [128, 98, 152, 98],
                how: 'a calliper into the cold, clean bore',
            },
            { fact: 'barrel_length_mm', line: [180, 84, 180, 164], how: 'of the part that the bands heat' },
            { fact: 'plunger_diameter_mm', line: [128, 62, 152, 62], how: 'a calliper on its tip' },
            { fact: 'lever_long_mm', line: [40, 12, 240, 12], how: 'from the pin to where the hand pulls' },
            {
                fact: 'lever_short_mm',
                line: [140, 50, 240, 50],
                how: 'from the pin to where it pushes the plunger',
            },
            {
                fact: 'hand_force_n',
                line: [40, 48, 40, 70],
                how: 'a luggage scale at the grip, pulled as in work: kilograms times 9.81',
            },
        ],
    },
    screw_injector: {
        size: [320, 180],
        cold: [
            rect(20, 60, 60, 60),
            rect(236, 30, 14, 120),
            rect(292, 30, 14, 120),
            rect(250, 44, 42, 6),
            rect(250, 130, 42, 6),
            'M108 66L120 40h36l12 26z',
        ],
        hot: [rect(80, 66, 150, 14), rect(80, 100, 150, 14), rect(80, 80, 140, 20)],
        measures: [
            {
                fact: 'screw_diameter_mm',
                line: [100, 80, 100, 100],
                how: 'on its plate, or a calliper when it is out',
            },
            {
                fact: 'max_stroke_mm',
                line: [150, 124, 220, 124],
                how: 'how far it goes back at most, on its scale',
            },
            { fact: 'tie_bar_height_mm', line: [270, 50, 270, 130], how: 'clear between the bars, upright' },
            { fact: 'daylight_mm', line: [250, 160, 292, 160], how: 'between the platens, wide open' },
            { fact: 'clamp_kn', line: [243, 18, 299, 18], how: 'on its plate' },
        ],
    },
    injection_mould: {
        size: [280, 180],
        cold: [rect(60, 40, 70, 110), rect(150, 40, 70, 110), rect(36, 84, 24, 22)],
        hot: [rect(130, 66, 20, 58)],
        measures: [
            {
                fact: 'tool_height_mm',
                line: [60, 24, 220, 24],
                how: 'closed, from one mounting face to the other',
            },
            { fact: 'height_mm', line: [238, 40, 238, 150], how: 'of the plates, upright' },
            {
                fact: 'mould_wall_mm',
                line: [130, 160, 60, 160],
                how: 'from the cavity to where the heat leaves',
            },
            {
                fact: 'gate_mm',
                line: [122, 95, 138, 95],
                how: 'the narrowest way into the part: feeler gauges',
            },
            { fact: 'opens_mm', line: [130, 167, 150, 167], how: 'so far that the part falls free' },
        ],
    },
};
