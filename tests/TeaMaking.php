<?php

declare(strict_types=1);

namespace Tests;

use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Inspected;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Process\PlannedCharge;
use Dithermic\Core\Process\PlannedSetting;
use Dithermic\Core\Process\PlannedTimer;
use Dithermic\Core\Process\Role;
use Dithermic\Core\Safety\Process as Danger;

/** A toy process of no plastic, on the procedure of the core's tests: what adding a process takes, and no more. */
final class TeaMaking extends Definition
{
    public function id(): string
    {
        return 'tea';
    }

    public function title(): string
    {
        return 'Make tea';
    }

    public function planner(): string
    {
        return 'plan.tea';
    }

    public function roles(): array
    {
        return [new Role('bench', 'kettle', ['kettle'], Leaves::class)];
    }

    public function settings(): string
    {
        return Leaves::class;
    }

    public function figures(): array
    {
        return [new Figure('leaf_g', 'Leaves', 'mass', 1)];
    }

    public function dangers(): Danger
    {
        return Danger::Compression;
    }

    public function setPoint(): string
    {
        return 'water_c';
    }

    public function inspect(string $entry, Record $values, array $targets, Polymer $polymer): Inspected
    {
        return new Inspected('taste', null, [], []);
    }

    public function procedure(): array
    {
        return json_decode((string) file_get_contents(__DIR__.'/../core/tests/conformance/tea.json'), true);
    }

    public function plan(Job $job): Plan
    {
        $this->mustHave($job);
        $leaf = (float) ($job->settings['leaf_g'] ?? $job->product['leaf_g']);
        $targets = [
            'leaf_g' => $leaf,
            'leaf_tolerance_g' => 0.1,
            'steep_min' => 4.0,
            'water_c' => 95.0,
            'stir_every_min' => 1.0,
        ];
        $settings = [new PlannedSetting('leaf_g', $leaf, 'g', null, null, null, 'the product', '')];

        return (new CupOfTea(
            $settings,
            (object) $targets,
            [new PlannedTimer('steep', 4.0, 'as one likes it')],
            new PlannedCharge($leaf, 0.1, 'by spoon'),
            [],
            [],
            [],
        ))->explain(sprintf('A cup of %.1f g of leaves.', $leaf));
    }

    protected function own(Job $job): array
    {
        return [];
    }
}
