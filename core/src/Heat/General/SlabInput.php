<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class SlabInput implements Checked
{
    /**
     * @param  list<LayerInput>  $layers
     * @param  list<float>  $sample_s
     */
    public function __construct(
        #[Field('slab, or cylinder with the layers from the axis outward')] public Geometry $geometry,
        #[Field('layers from left to right', of: LayerInput::class, atLeast: 1, atMost: 20)] public array $layers,
        #[Field('what the left face meets')] public FaceInput $left,
        #[Field('what the right face meets')] public FaceInput $right,
        #[Field('how long', 's', above: 0, max: 1e6)] public float $duration_s,
        #[Field(
            'times to report, none after duration_s',
            's',
            of: 'number',
            min: 0,
            atMost: 500,
        )]
        public array $sample_s,
    ) {
    }

    public function check(): void
    {
        if ($this->geometry === Geometry::Cylinder && $this->left->kind !== FaceKind::Insulated) {
            throw new InputError('left.kind', 'the left face of a cylinder is its axis: it must be insulated');
        }
        foreach ($this->sample_s as $index => $time) {
            if ($time > $this->duration_s) {
                throw new InputError("sample_s.{$index}", 'is after the end (duration_s)');
            }
        }
    }
}
