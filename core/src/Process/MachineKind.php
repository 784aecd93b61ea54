<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Schema;

/** A kind of machine that a shop can have, and what can be known of one. */
final readonly class MachineKind
{
    /** what the shop counts itself, or calls it: nobody enters that as a fact */
    private const NOT_SAID = ['name' => 0, 'made' => 0];

    /**
     * @param  class-string|null  $facts  null where a plan asks nothing of it
     * @param  bool  $isMould  hangs in another machine as long as a run lasts
     */
    public function __construct(
        public string $id,
        public string $title,
        private ?string $facts = null,
        public bool $isMould = false,
    ) {
    }

    /** @return array<string, array<string, mixed>> JSON Schema of each fact, by name */
    public function facts(): array
    {
        if ($this->facts === null) {
            return [];
        }
        /** @var array<string, array<string, mixed>> $properties */
        $properties = Schema::of($this->facts)['properties'];

        return array_diff_key($properties, self::NOT_SAID);
    }

    /**
     * What is known of one machine, all together: two facts that are right alone may not be of one machine.
     *
     * @param  array<string, mixed>  $known
     *
     * @throws InputError by the fact's name
     */
    public function mustAgree(array $known): void
    {
        if ($this->facts !== null) {
            Reader::read($this->facts, Reader::known($this->facts, $known));
        }
    }

    /**
     * Facts that fit this kind; what is null is not known.
     *
     * @param  array<string, mixed>  $facts
     *
     * @throws InputError by the fact's name
     */
    public function mustFit(array $facts): void
    {
        $strange = "is no fact of a {$this->title}";
        $counted = array_intersect_key($facts, self::NOT_SAID);
        if ($counted !== []) {
            throw new InputError((string) array_key_first($counted), $strange);
        }
        if ($this->facts !== null) {
            Reader::mustFit($this->facts, $facts, $strange);
        } elseif ($facts !== []) {
            throw new InputError((string) array_key_first($facts), $strange);
        }
    }
}
