<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Causes\Data\AnswerData;
use App\Causes\Data\CaseData;
use App\Causes\Data\CauseCountData;
use App\Causes\Data\DefectData;
use App\Causes\Data\MadeData;
use App\Causes\Data\SeenDefectData;
use App\Causes\Data\SignalData;
use App\Causes\Data\TakeData;
use App\Causes\Models\CaseOf;
use App\Runs\Data\RunLinkData;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Support\Seconds;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis\CaseFile;
use Dithermic\Core\Diagnosis\Knowledge;
use Dithermic\Core\Diagnosis\KnownSignal;
use Dithermic\Core\Diagnosis\Made;
use Dithermic\Core\Diagnosis\NextChange;
use Dithermic\Core\Diagnosis\Rank;
use Dithermic\Core\Diagnosis\RankInput;
use Dithermic\Core\Diagnosis\RankResult;
use Dithermic\Core\Diagnosis\SeenDefect;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;
use Illuminate\Database\Eloquent\Builder;

/** Cases as the Data classes that go over the wire: what is known put before the core, and its answer. */
final class Cases
{
    public const WITH = [
        'by', 'lines', 'run.product', 'run.stations.machine', 'run.procedureVersion', 'run.events.by',
        'run.materials.lot', 'run.inspections', 'run.pieces',
    ];

    private Knowledge $knowledge;

    public function __construct(
        private readonly Processes $processes,
        private readonly PolymerLibrary $polymers,
        private readonly Evidence $evidence,
        private readonly Learnt $learnt,
    ) {
        $this->learn();
    }

    /** @return list<DefectData> that a process can have */
    public function defects(Definition $process): array
    {
        $defects = [];
        foreach ($this->knowledge->defects as $defect) {
            $of = new Record($defect);
            if (in_array($process->id(), $defect['process'], true) && $this->happens($defect['id'], $process)) {
                $defects[] = new DefectData(
                    $defect['id'],
                    $defect['name'],
                    $of->text('looks_like', ''),
                    $of->text('how_to_check', ''),
                    $of->texts('where'),
                    array_map(fn (string $c): string => $this->knowledge->cautions[$c] ?? $c, $of->texts('cautions')),
                );
            }
        }

        return $defects;
    }

    public function of(CaseOf $case): CaseData
    {
        $case->loadMissing(self::WITH);
        $this->learn();
        $run = $case->run;
        $file = $case->file();
        $process = $this->processes->get($run->product->process);
        $known = $this->evidence->of($run, $case->piece);
        $ranking = $this->rank($run, $file, $case->id, $process, $known);
        $newest = $file->changes === [] ? null : $file->changes[count($file->changes) - 1];
        $since = $newest === null ? [] : $this->badSince($run, $newest->at);

        return new CaseData(
            $case->id,
            new RunLinkData($run->id, $run->number),
            $run->product->name,
            $process->id(),
            $run->mainMachine()->name,
            $case->piece,
            $case->by->name,
            Seconds::of($case->at),
            $file->closed,
            $case->lines->last()->id ?? 0,
            array_values(array_map(fn (SeenDefect $d): SeenDefectData => new SeenDefectData(
                $d->id,
                $this->knowledge->defects[$d->id]['name'],
                $d->where,
                $d->severity->value,
            ), $file->defects)),
            $this->signals($known, $file, $process->mode()),
            $this->answers($file, $process),
            $ranking,
            $ranking->next_question === null ? [] : $this->knowledge->bands(
                array_keys($file->defects),
                $process->mode(),
                $ranking->next_question->id,
            ),
            $ranking->next_change === null ? null : $this->take($run, $process, $ranking->next_change),
            array_map($this->made(...), $file->changes),
            CaseFile::JUDGED_BY,
            count($since),
            $newest?->worked === null ? CaseFile::saysWorked($since) : null,
            $this->counts($file, $process),
        );
    }

    /**
     * @param  list<KnownSignal>|null  $known  null to find out
     */
    public function rank(
        Run $run,
        CaseFile $file,
        string $case,
        ?Definition $process = null,
        ?array $known = null,
        ?int $piece = null,
    ): RankResult {
        $process ??= $this->processes->get($run->product->process);
        $signals = [];
        foreach ($known ?? $this->evidence->of($run, $piece) as $signal) {
            $signals[$signal->signal] = $signal->value;
        }

        return (new Rank($this->knowledge))(Reader::read(RankInput::class, array_filter([
            'process' => $process->id(),
            'mode' => $process->mode(),
            'defects' => array_values(array_map(static fn (SeenDefect $d): array => [
                'id' => $d->id, 'where' => $d->where, 'severity' => $d->severity->value,
            ], $file->defects)),
            // What somebody looked at goes before what was logged.
            'signals' => array_filter($file->signals, static fn (mixed $v): bool => $v !== null) + $signals,
            'unreadable' => array_keys(array_filter($file->signals, static fn (mixed $v): bool => $v === null)),
            'answers' => $file->answers,
            'history' => [...$this->learnt->historyBefore($run, $case), ...$file->history()],
            'known' => $process->standings($run->plan, $this->polymers->get($run->polymer)),
        ], static fn (mixed $v): bool => $v !== null && $v !== [])));
    }

    /** How the next set-up would have a change; null where it is an act, or moves no setting of this process. */
    public function take(Run $run, Definition $process, NextChange $change): ?TakeData
    {
        $lever = $process->levers()[$change->parameter] ?? null;
        if ($lever === null || $change->from === null || $change->to === null) {
            return null;
        }
        $now = $run->setup['settings'][$lever->setting] ?? null;
        $was = is_numeric($now) ? (float) $now : null;
        $becomes = $lever->setTo($change->from, $change->to, $was);

        return $becomes === null ? null : new TakeData($lever->setting, $was, $becomes, $change->unit);
    }

    /** What this shop's outcomes make of the priors, as they stand now. */
    private function learn(): void
    {
        $this->knowledge = new Knowledge($this->learnt->outcomes());
    }

    private function happens(string $defect, Definition $process): bool
    {
        $modes = $this->knowledge->defects[$defect]['modes'] ?? null;
        $mode = $process->mode();

        return $modes === null || $mode === null || in_array($mode, $modes, true);
    }

    /**
     * @param  list<KnownSignal>  $known
     * @return list<SignalData>
     */
    private function signals(array $known, CaseFile $file, ?string $mode): array
    {
        $told = [];
        foreach ($known as $signal) {
            if (! array_key_exists($signal->signal, $file->signals)) {
                $told[] = $this->signal($signal->signal, $signal->value, $signal->from, false);
            }
        }
        foreach ($file->signals as $name => $value) {
            foreach ($this->knowledge->bands(array_keys($file->defects), $mode, $name) as $band) {
                $value = $band->value === $value ? $band->says : $value;
            }
            $told[] = $value === null
                ? $this->signal($name, 'not to be told', 'looked at', true)
                : $this->signal($name, $value, 'looked at', true);
        }

        return $told;
    }

    private function signal(string $name, mixed $value, string $from, bool $read): SignalData
    {
        $unit = $this->knowledge->signals[$name]['unit'] ?? '';
        $text = match (true) {
            is_bool($value) => $value ? 'yes' : 'no',
            is_float($value), is_int($value) => rtrim(rtrim(sprintf('%.2f', $value), '0'), '.')
                .($unit === '' || $unit === 'ratio' ? '' : " {$unit}"),
            is_array($value) => implode(', ', array_filter($value, is_string(...))),
            default => str_replace('_', ' ', is_string($value) ? $value : ''),
        };

        return new SignalData($name, $this->knowledge->signals[$name]['meaning'] ?? $name, $text, $from, $read);
    }

    /** @return list<AnswerData> */
    private function answers(CaseFile $file, Definition $process): array
    {
        $answers = [];
        foreach ($file->answers as $question => $answer) {
            $asked = $this->knowledge->question(
                array_keys($file->defects),
                $process->mode(),
                $question,
            );
            $answers[] = new AnswerData($question, $asked ?? $question, $answer);
        }

        return $answers;
    }

    private function made(Made $made): MadeData
    {
        $cause = $made->cause;
        foreach ($this->knowledge->defects as $defect) {
            $cause = array_column($defect['causes'], 'name', 'id')[$made->cause] ?? $cause;
        }

        return new MadeData(
            $made->parameter,
            $this->knowledge->parameters[$made->parameter]['name'] ?? $made->parameter,
            $made->from,
            $made->to,
            $made->at,
            $cause,
            $made->unclear,
            $made->worked,
        );
    }

    /** @return list<CauseCountData> */
    private function counts(CaseFile $file, Definition $process): array
    {
        $shipped = new Knowledge;
        $outcomes = $this->learnt->outcomes();
        $mode = $process->mode();
        $counts = [];
        foreach (array_keys($file->defects) as $defect) {
            foreach ($this->knowledge->causes($defect, $mode) as $id => $cause) {
                [$yes, $no] = $outcomes->of($defect, $id);
                if ($yes + $no > 0) {
                    $counts[] = new CauseCountData(
                        $defect,
                        $cause['name'],
                        $yes,
                        $no,
                        round($shipped->causes($defect, $mode)[$id]['prior'], 3),
                        round($cause['prior'], 3),
                    );
                }
            }
        }

        return $counts;
    }

    /** @return list<bool> of the first pieces of it on its machine that were judged since: whether they were bad */
    private function badSince(Run $run, float $at): array
    {
        $since = Seconds::moment($at)->format('Y-m-d H:i:s.vP');
        $machine = $run->mainMachine()->id;
        $same = static function (Builder $of) use ($run, $machine): void {
            $of->where('product_id', $run->product_id)
                ->whereHas('stations', static fn (Builder $s) => $s->where('machine_id', $machine));
        };
        $pieces = Piece::query()->whereNotNull('verdict')->where('ended_at', '>', $since)
            ->whereHas('run', $same)
            ->orderBy('ended_at')
            ->limit(CaseFile::JUDGED_BY)
            ->get(['verdict', 'ended_at']);
        $runs = Run::query()->whereNotNull('verdict')->where('ended_at', '>', $since)
            ->where($same)
            ->orderBy('ended_at')
            ->limit(CaseFile::JUDGED_BY)
            ->get(['verdict', 'ended_at']);
        $judged = [];
        foreach ($pieces as $piece) {
            $judged[] = [(float) $piece->ended_at?->format('U.v'), $piece->verdict === 'scrap'];
        }
        foreach ($runs as $one) {
            $judged[] = [(float) $one->ended_at?->format('U.v'), $one->verdict === 'scrap'];
        }
        usort($judged, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column(array_slice($judged, 0, CaseFile::JUDGED_BY), 1);
    }
}
