<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Instruments\Data\AlarmData;
use App\Instruments\Queries\Alarms;
use App\Runs\Data\RunMaterialData;
use App\Runs\Models\Inspection;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Models\RunStation;
use App\Support\Csv;
use App\Support\Seconds;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;

/** A run as it goes out of the shop: JSON by docs/formats/run.schema.json, CSV with a line for each log entry. */
final readonly class RunRecord
{
    public const FORMAT = 'dithermic.run/1';

    public function __construct(private PresentRun $present, private Alarms $alarms)
    {
    }

    /** @return array<string, mixed> */
    public function json(Run $run): array
    {
        return [
            'format' => self::FORMAT,
            'id' => $run->id, 'number' => $run->number,
            'product' => [
                'name' => $run->product->name,
                'process' => $run->product->process,
                'dimensions_mm' => $run->product->dimensions,
            ],
            'machines' => array_values($run->stations->map(static fn (RunStation $s): array => [
                'role' => $s->role,
                'name' => $s->machine->name,
                'facts' => (object) $s->machine->facts,
            ])->all()),
            'lots' => array_map(
                static fn (RunMaterialData $m): array => [
                    'code' => $m->lot,
                    'polymer' => $m->polymer,
                    'form' => $m->form,
                    'colour' => $m->colour,
                    'source' => ['name' => $m->source, 'state' => $m->source_state],
                    'charged_g' => $m->mass_g,
                ],
                $this->present->materials($run),
            ),
            'charge' => $run->charges->isEmpty() ? null : sprintf('C-%04d', $run->charges->firstOrFail()->number),
            'started_by' => $run->starter->name,
            'started_at' => $run->started_at->toIso8601ZuluString('millisecond'),
            'ended_at' => $run->ended_at?->toIso8601ZuluString('millisecond'),
            'status' => $run->status, 'verdict' => $run->verdict, 'scrap_reason' => $run->scrap_reason,
            'plan' => (object) $run->plan, 'choices' => (object) $run->choices, 'safety' => (object) $run->safety,
            'settings' => (object) ($run->setup['settings'] ?? []),
            'origins' => (object) ($run->setup['origins'] ?? []),
            'procedure' => $run->procedureVersion->body,
            'events' => $run->events->map(static fn (RunEvent $e): array => [
                'seq' => $e->seq,
                'key' => $e->key,
                'type' => $e->type->value,
                'at' => $e->at->toIso8601ZuluString('millisecond'),
                'recorded_at' => $e->recorded_at->toIso8601ZuluString('millisecond'),
                'source' => $e->source->value,
                'by' => $e->by->name,
                'data' => (object) $e->data,
            ])->all(),
            'inspection' => $run->inspection === null ? null : $run->inspection->result,
            'checks' => $run->inspections->map(static fn (Inspection $c): array => [
                'piece' => $c->piece,
                'kind' => $c->kind,
                'at' => $c->at->toIso8601ZuluString('millisecond'),
                'mass_g' => $c->mass_g,
                'figures' => (object) $c->figures,
                'result' => $c->result,
            ])->all(),
            'alarms' => array_map(static fn (AlarmData $a): array => [
                'machine' => $a->machine,
                'channel' => $a->channel,
                'kind' => $a->kind,
                'says' => $a->says,
                'began_at' => Seconds::moment($a->began_at)->toIso8601ZuluString('millisecond'),
                'ended_at' => $a->ended_at === null
                    ? null
                    : Seconds::moment($a->ended_at)->toIso8601ZuluString('millisecond'),
                'answered_by' => $a->by,
            ], $this->alarms->ofRun($run->id)),
        ];
    }

    public function csv(Run $run): string
    {
        return Csv::write(['run', 'seq', 'at', 'recorded_at', 'by', 'type', 'what', 'values'], array_map(
            static fn (array $l): array => [
                $run->number,
                $l['seq'],
                $l['at'],
                $l['recorded_at'],
                $l['by'],
                $l['type'],
                $l['what'],
                $l['values'],
            ],
            $this->lines($run),
        ));
    }

    /**
     * @return list<array{seq: int, at: string, recorded_at: string, by: string, type: string, what: string, values: string}>
     */
    public function lines(Run $run): array
    {
        $procedure = $run->procedureVersion->procedure();
        $entries = $run->events->keyBy('key');

        return array_values($run->events->map(fn (RunEvent $e): array => [
            'seq' => $e->seq,
            'at' => $e->at->toIso8601ZuluString('millisecond'),
            'recorded_at' => $e->recorded_at->toIso8601ZuluString('millisecond'),
            'by' => $e->by->name, 'type' => $e->type->value,
            'what' => self::what($procedure, $e, $entries->get((string) ($e->data['event'] ?? ''))),
            'values' => self::values($e),
        ])->all());
    }

    private static function what(Procedure $procedure, RunEvent $e, ?RunEvent $corrected): string
    {
        $step = $procedure->step((string) ($e->data['step'] ?? ''))->title ?? '';

        return match ($e->type) {
            EventType::Started => 'Run started',
            EventType::StepDone => "{$step}: done".(isset($e->data['reason']) ? " anyway: {$e->data['reason']}" : ''),
            EventType::Confirmed => self::confirmed($procedure, $e),
            EventType::Logged => (string) ($procedure->entry((string) $e->data['entry'])->title ?? $e->data['entry']),
            EventType::Corrected => 'Corrects entry '.($corrected->seq ?? '?').": {$e->data['reason']}",
            EventType::Extended => "Timer {$e->data['timer']} changed by {$e->data['minutes']} min: {$e->data['reason']}",
            EventType::PieceBegun => ucfirst($procedure->pieceName())." {$e->data['piece']} begun",
            EventType::PieceDropped => ucfirst($procedure->pieceName())
                ." {$e->data['piece']} taken out: {$e->data['reason']}",
            EventType::Closing => 'Closing begun',
            EventType::Noted => (string) $e->data['text'],
            EventType::Interrupted => "Interrupted: {$e->data['reason']}",
            EventType::Resumed => "Goes on, hot through again in {$e->data['wait_min']} min",
            EventType::LotChanged => "From lot {$e->data['code']} now",
            EventType::Aborted => "Stopped: {$e->data['reason']}",
        };
    }

    private static function confirmed(Procedure $procedure, RunEvent $e): string
    {
        return $procedure->step((string) $e->data['step'])->confirm[(string) $e->data['item']]
            ?? (string) $e->data['item'];
    }

    private static function values(RunEvent $e): string
    {
        $parts = [];
        foreach ($e->data['values'] ?? [] as $name => $value) {
            $parts[] = $name.'='.(is_array($value) ? count($value).' points' : (string) $value);
        }

        return implode('; ', $parts);
    }
}
