<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Data\Range;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Inspected;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Role;
use Dithermic\Core\Safety\Process as Danger;

/** A sheet heated and pulled over a mould. */
final class Forming extends Definition
{
    public function id(): string
    {
        return 'vacuum_forming';
    }

    public function title(): string
    {
        return 'Form a part';
    }

    public function planner(): string
    {
        return 'plan.vacuum_forming';
    }

    public function roles(): array
    {
        return [
            new Role('former', 'former', ['vacuum_former'], FormerFacts::class),
            new Role('mould', 'mould', ['forming_mould'], MouldFacts::class, required: false, throughout: true),
        ];
    }

    public function settings(): string
    {
        return FormedSettings::class;
    }

    public function figures(): array
    {
        return [
            new Figure('sheet_mm', 'Sheet', 'length', 2),
            new Figure('heat_min', 'Heated', 'minutes', 1),
            new Figure('thinnest_mm', 'Thinnest foretold', 'length', 2),
            new Figure('least_mm', 'Thinnest measured', 'length', 2, measured: true),
        ];
    }

    public function dangers(): Danger
    {
        return Danger::VacuumForming;
    }

    public function setPoint(): string
    {
        return 'sheet_normal_c';
    }

    /** The library has the sheet's three temperatures as numbers of their own. */
    public function window(Polymer $polymer): ?Range
    {
        $window = $polymer->process('vacuum_forming');

        return $window->has('sheet_normal_c') ? new Range(
            $window->number('sheet_lower_c', $window->number('sheet_normal_c')),
            $window->number('sheet_normal_c'),
            $window->number('sheet_upper_c', $window->number('sheet_normal_c')),
        ) : null;
    }

    /** Three places where the forecast is thinnest, against it and against the least that the product takes. */
    public function inspect(string $entry, Record $values, array $targets, Polymer $polymer): Inspected
    {
        $walls = [$values->number('corner_mm'), $values->number('side_mm'), $values->number('bottom_mm')];
        $least = min($walls);
        $place = ['corner', 'side', 'bottom'][(int) array_search($least, $walls, true)];
        $foretold = (float) ($targets['thinnest_mm'] ?? 0);
        $wanted = $targets['least_wall_mm'] ?? null;
        $thin = is_numeric($wanted) && $least < $wanted;

        return new Inspected('formed_part', null, ['least_mm' => $least], [
            'corner_mm' => $walls[0],
            'side_mm' => $walls[1],
            'bottom_mm' => $walls[2],
            'least_mm' => $least,
            'foretold_mm' => $foretold,
            'verdict' => $thin ? 'too thin' : 'thick enough',
            'says' => $thin
                ? sprintf('%.2f mm at the %s, and %.2f are wanted: heat that zone less, or a thicker sheet.', $least, $place, $wanted)
                : sprintf('Thinnest at the %s, %.2f mm; foretold were %.2f.', $place, $least, $foretold),
        ]);
    }

    protected function own(Job $job): array
    {
        return [
            'machine' => Reader::known(FormerFacts::class, $job->machine('former')->of ?? []),
            'mould' => self::mould($job, MouldFacts::class),
            'pull_by' => $job->choice('pull_by'),
            'cool_how' => $job->choice('cool_how') ?? CoolHow::Held->value,
        ];
    }
}
