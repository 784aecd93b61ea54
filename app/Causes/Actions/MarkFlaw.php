<?php

declare(strict_types=1);

namespace App\Causes\Actions;

use App\Causes\Models\Flaw;
use App\Causes\Queries\Cases;
use App\People\Models\User;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Processes;
use Illuminate\Support\Facades\DB;

/** A flaw on a piece, or that one was marked wrongly. Kept once however often it is sent. */
final readonly class MarkFlaw
{
    /** of a run: more are no map */
    private const MOST = 1000;

    public function __construct(private Cases $cases, private Processes $processes, private ShopClock $clock)
    {
    }

    /** @throws InputError */
    public function mark(string $id, User $by, Run $run, ?int $piece, string $defect, float $along, float $across): void
    {
        DB::transaction(function () use ($id, $by, $run, $piece, $defect, $along, $across): void {
            if ($this->isKept($id, $run)) {
                return;
            }
            $known = array_column($this->cases->defects($this->processes->get($run->product->process)), 'id');
            if (! in_array($defect, $known, true)) {
                throw new InputError('defect', 'is nothing that a part of this process can have: take one of the list');
            }
            $pieces = Piece::query()->where('run_id', $run->id);
            if ($piece === null ? $pieces->exists() : ! $pieces->where('number', $piece)->exists()) {
                throw new InputError(
                    'piece',
                    $piece === null ? 'is missing: say on which' : "{$piece} is none of this run",
                );
            }
            if (Flaw::query()->where('run_id', $run->id)->count() >= self::MOST) {
                throw new InputError('id', 'is one too many: '.self::MOST.' are marked on this run');
            }
            $this->keep($id, $by, $run, [
                'piece' => $piece,
                'defect' => $defect,
                'along' => round($along, 4),
                'across' => round($across, 4),
            ]);
        });
    }

    /** @throws InputError where it is none of this run's, or was taken back */
    public function takeBack(string $id, User $by, Run $run, string $flaw): void
    {
        DB::transaction(function () use ($id, $by, $run, $flaw): void {
            if ($this->isKept($id, $run)) {
                return;
            }
            $marked = Flaw::query()->standing()->where('run_id', $run->id)->find($flaw)
                ?? throw new InputError('undoes', 'is no flaw that is marked on this run');
            $this->keep($id, $by, $run, ['piece' => $marked->piece, 'undoes' => $marked->id]);
        });
    }

    /** @throws InputError where another run's has this id */
    private function isKept(string $id, Run $run): bool
    {
        Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
        $kept = Flaw::query()->find($id);
        if ($kept !== null && $kept->run_id !== $run->id) {
            throw new InputError('id', 'is taken: make another');
        }

        return $kept !== null;
    }

    /** @param  array<string, mixed>  $what */
    private function keep(string $id, User $by, Run $run, array $what): void
    {
        Flaw::query()->create([
            'id' => $id,
            'run_id' => $run->id,
            'by_id' => $by->id,
            'at' => $this->clock->moment(),
        ] + $what);
    }
}
