<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Force\ScrewMachine;
use Dithermic\Core\Force\SoftMouldResult;
use Dithermic\Core\Force\TransferRecipeResult;
use Dithermic\Core\Process\Carried;

/**
 * A stored set-up of a screw machine, carried to another one (force.transfer_recipe: same shot, specific pressure, flow
 * and surface speed) or to a printed mould (force.soft_mould: by the strength of its insert).
 */
final readonly class Carry
{
    public function __construct(private Registry $calculations)
    {
    }

    /** @throws InputError naming the machine that does not say enough */
    public function toMachine(Record $setUp, Record $from, Record $to): Carried
    {
        $result = $this->calculations->run('force.transfer_recipe', [
            'from' => $this->machine($from),
            'to' => $this->machine($to),
            'recipe' => get_object_vars($this->setUp($setUp)->recipe),
        ]);
        assert($result instanceof TransferRecipeResult);

        return new Carried(
            array_filter(get_object_vars($result->recipe), is_float(...)),
            'Same shot, same pressure on the melt, same flow, same speed of the screw\'s face.',
            $result->warnings,
        );
    }

    /** @throws InputError naming what the mould or the machine does not say */
    public function toSoftMould(Record $setUp, Record $from, Record $mould, Record $product): Carried
    {
        $had = $this->setUp($setUp);
        $ratio = $from->mayNumber('intensification')
            ?? throw new InputError('machine', "{$from->text('name')} does not say its intensification: specific over hydraulic pressure");
        $strength = $mould->mayNumber('allowable_mpa');
        $land = $mould->mayNumber('land_area_cm2');
        if ($strength === null || $land === null) {
            throw new InputError(
                'mould_id',
                "{$mould->text('name')} does not say what its insert bears and how large its lands are",
            );
        }
        $area = $mould->mayNumber('projected_area_cm2') ?? $product->mayNumber('projected_area_cm2')
            ?? throw new InputError('mould_id', 'neither the mould nor the product says its projected area');
        $result = $this->calculations->run('force.soft_mould', [
            'insert' => ['allowable_mpa' => $strength, 'land_area_cm2' => $land],
            'projected_area_cm2' => $area,
            'injection_bar' => $ratio * $had->recipe->hydraulic_bar,
            'hold_bar' => $ratio * $had->recipe->hold_hydraulic_bar,
            'clamp_kn' => $had->clamp_kn
                ?? throw new InputError('clamp_kn', 'was not kept with this set-up: say the clamp force of the metal mould'),
        ]);
        assert($result instanceof SoftMouldResult);

        return new Carried([
            'hydraulic_bar' => $result->injection_bar / $ratio,
            'hold_hydraulic_bar' => $result->hold_bar / $ratio,
            'clamp_kn' => $result->clamp_kn,
        ], $result->explanation, $result->cautions);
    }

    private function setUp(Record $of): ScrewSetUp
    {
        return Reader::read(ScrewSetUp::class, Reader::known(ScrewSetUp::class, $of->of));
    }

    /** @return array<string, float> */
    private function machine(Record $of): array
    {
        $facts = [];
        foreach (array_keys(get_class_vars(ScrewMachine::class)) as $name) {
            $facts[$name] = $of->mayNumber($name)
                ?? throw new InputError('machine', sprintf('%s does not say its %s', $of->text('name'), str_replace('_', ' ', $name)));
        }

        return $facts;
    }
}
