<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;

/** The processes of the house. A new one is its folder and a line here. */
final readonly class Processes
{
    /** @var list<class-string<Definition>> */
    public const SHIPPED = [
        Compression\Pressing::class,
        Injection\Moulding::class,
        Extrusion\BarMaking::class,
        VacuumForming\Forming::class,
    ];

    /** @var list<string> machines that no plan is made for */
    private const BESIDE = ['dryer', 'shredder'];

    /** @var array<string, Definition> by id */
    private array $all;

    /** @param  list<class-string<Definition>>  $classes */
    public function __construct(Registry $calculations, array $classes = self::SHIPPED)
    {
        $all = [];
        foreach ($classes as $class) {
            $process = new $class($calculations);
            $all[$process->id()] = $process;
        }
        $this->all = $all;
    }

    /** @throws InputError */
    public function get(string $id): Definition
    {
        return $this->all[$id] ?? throw new InputError(
            'process',
            "\"{$id}\" is not one that runs here: ".implode(', ', array_keys($this->all)),
        );
    }

    public function has(string $id): bool
    {
        return isset($this->all[$id]);
    }

    /** Whether a kind of machine has a place in any process. */
    public function takes(string $kind): bool
    {
        return array_filter($this->all, static fn (Definition $p): bool => $p->takes($kind)) !== [];
    }

    /** Whether melt stays in such a machine when its run is over. */
    public function hasBarrel(string $kind): bool
    {
        $on = array_filter($this->all, static fn (Definition $p): bool => $p->main()->takes($kind));

        return array_filter($on, static fn (Definition $p): bool => $p->dangers()->hasBarrel()) !== [];
    }

    /**
     * What machines a shop can have: those that the processes work on, and those beside them.
     *
     * @return array<string, MachineKind> by id
     */
    public function machineKinds(): array
    {
        $kinds = [];
        foreach ($this->all as $process) {
            foreach ($process->roles() as $role) {
                foreach ($role->kinds as $kind) {
                    $kinds[$kind] = new MachineKind(
                        $kind,
                        str_replace('_', ' ', $kind),
                        $role->facts,
                        $role->throughout,
                    );
                }
            }
        }
        foreach (self::BESIDE as $kind) {
            $kinds[$kind] = new MachineKind($kind, $kind);
        }

        return $kinds;
    }

    /** The process that learns of machines of a kind by their readings; null where none does. */
    public function learningOf(string $kind): ?Definition
    {
        foreach ($this->all() as $process) {
            if (($process->learnsFrom() !== [] || $process->learnsFromLog()) && $process->main()->takes($kind)) {
                return $process;
            }
        }

        return null;
    }

    /** @return list<Definition> */
    public function all(): array
    {
        return array_values($this->all);
    }
}
