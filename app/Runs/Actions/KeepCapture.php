<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\People\Models\User;
use App\Runs\Models\CapturedSetUp;
use App\Runs\Models\Run;
use App\Support\Conflict;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Processes;

/** Keeps what a controller shows once a piece of its run was good. A better one is a new one. */
final readonly class KeepCapture
{
    public function __construct(private Processes $processes)
    {
    }

    /**
     * @param  string  $id  made by the screen: one sent twice is kept once
     * @param  array<array-key, mixed>  $shown  by name
     * @param  list<string>  $pictures
     *
     * @throws InputError by the number
     */
    public function __invoke(string $id, User $by, Run $run, array $shown, array $pictures): CapturedSetUp
    {
        $class = $this->processes->get($run->product->process)->captured(new Record($run->mainMachine()->facts))
            ?? throw new InputError('shown', 'is asked of no machine of this kind');
        if ($run->good() === 0) {
            throw new InputError('shown', 'is kept once a piece was good: this run has none yet');
        }
        try {
            Reader::mustFit($class, $shown, 'is nothing that this machine shows');
        } catch (InputError $error) {
            throw $error->under('shown');
        }
        $kept = CapturedSetUp::query()->firstOrCreate(['id' => $id], [
            'run_id' => $run->id,
            'machine_id' => $run->mainMachine()->id,
            'product_id' => $run->product_id,
            'mould_id' => $run->machineAs('mould')?->id,
            'shown' => array_map(floatval(...), array_filter($shown, is_numeric(...))),
            'pictures' => $pictures,
            'by_id' => $by->id,
            'at' => CarbonImmutable::now(),
        ]);

        return $kept->run_id === $run->id && $kept->by_id === $by->id ? $kept : throw Conflict::of();
    }
}
