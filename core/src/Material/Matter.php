<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

/**
 * What somebody wrote down as found in a lot, understood: a polymer by its code or its name, in any spelling, or metal,
 * grit or fibre. A word that is not understood is nothing that may be trusted.
 */
final readonly class Matter
{
    /** words for what is no polymer */
    private const WORDS = [
        'metal' => [
            'metal',
            'steel',
            'iron',
            'alumin(i)?um',
            'alu',
            'brass',
            'copper',
            'screw',
            'staple',
            'nail',
            'wire',
            'foil',
            'swarf',
            'tin',
            'lead',
            'zinc',
        ],
        'grit' => ['earth', 'soil', 'sand', 'stone', 'grit', 'glass', 'ceramic', 'gravel', 'dirt', 'mud'],
        'fibre' => ['paper', 'label', 'card', 'wood', 'cloth', 'textile', 'string', 'leaf', 'leaves', 'dust'],
    ];

    /** other names of polymers in the trade */
    private const ALSO = [
        'vinyl' => 'PVC-U',
        'pvc' => 'PVC-U',
        'upvc' => 'PVC-U',
        'pvcu' => 'PVC-U',
        'rigidpvc' => 'PVC-U',
        'hardpvc' => 'PVC-U',
        'softpvc' => 'PVC-P',
        'pvcp' => 'PVC-P',
        'flexiblepvc' => 'PVC-P',
        'plasticisedpvc' => 'PVC-P',
        'plasticizedpvc' => 'PVC-P',
        'softvinyl' => 'PVC-P',
        'acetal' => 'POM',
        'polyacetal' => 'POM',
        'acrylic' => 'PMMA',
        'nylon6' => 'PA6',
        'nylon66' => 'PA66',
        'pa' => 'PA6',
        'nylon' => 'PA6',
        'polystyrene' => 'PS',
        'gpps' => 'PS',
        'polythene' => 'LDPE',
        'unidentified' => 'UNKNOWN',
        'notidentified' => 'UNKNOWN',
        'notknown' => 'UNKNOWN',
        'thermoset' => 'OTHER',
        'rubber' => 'OTHER',
        'silicone' => 'OTHER',
        'resin' => 'OTHER',
        'laminate' => 'OTHER',
        'filled' => 'OTHER',
        'melamine' => 'OTHER',
        'phenolic' => 'OTHER',
        'epoxy' => 'OTHER',
    ];

    private function __construct(public MatterKind $kind, public string $name, public ?Polymer $polymer = null)
    {
    }

    /** Null when nobody can say what the word means. */
    public static function read(string $word, PolymerLibrary $polymers): ?self
    {
        $plain = self::plain($word);
        if ($plain === '') {
            return null;
        }
        foreach ($polymers->all() as $code => $polymer) {
            if ($plain === self::plain($code) || $plain === self::plain($polymer->name())) {
                return new self(MatterKind::Polymer, $code, $polymer);
            }
        }
        // Whatever else is said of it: vinyl is vinyl.
        $code = self::ALSO[$plain] ?? (
            preg_match('/pvc|vinylchloride|vinyl(?!acetate)/', $plain) === 1 ? 'PVC-U' : null
        );
        if ($code !== null && $polymers->has($code)) {
            return new self(MatterKind::Polymer, $code, $polymers->get($code));
        }
        foreach (self::WORDS as $kind => $stems) {
            foreach ($stems as $stem) {
                if (preg_match('/\\b'.$stem.'(s|board)?\\b/i', $word) === 1) {
                    return new self(MatterKind::from($kind), mb_strtolower(trim($word)));
                }
            }
        }

        return null;
    }

    private static function plain(string $word): string
    {
        return (string) preg_replace('/[^a-z0-9]/', '', mb_strtolower($word));
    }
}
