<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\TraceNodeData;
use App\People\Models\User;
use App\Runs\Models\Run;
use App\Runs\Models\RunOutput;
use App\Support\Seconds;

/**
 * Where what a run made came from, as W3C PROV-JSON (Member Submission of 24 April 2013): lots and sources are entities
 * that one was derived from another, the run is the activity that used them, people and machines are its agents, the
 * procedure in its version is the plan that they worked by. Shares are those of Recall.
 */
final readonly class Provenance
{
    private const SPACE = 'urn:dithermic:';

    public function __construct(private Recall $recall)
    {
    }

    /** @return array<string, mixed> */
    public function of(Run $run): array
    {
        $run->loadMissing(['product', 'procedureVersion', 'stations.machine', 'starter', 'outputs.lot', 'events.by']);
        $trace = $this->recall->back($run);
        $activity = self::named("run:{$run->id}");
        $plan = self::named("procedure:{$run->procedureVersion->key}-{$run->procedureVersion->version}");
        $document = [
            'prefix' => [
                'd' => self::SPACE,
                'prov' => 'http://www.w3.org/ns/prov#',
                'xsd' => 'http://www.w3.org/2001/XMLSchema#',
            ],
            'entity' => [$plan => [
                'prov:type' => self::qualified('prov:Plan'),
                'prov:label' => $run->procedureVersion->key,
            ]],
            'activity' => [$activity => array_filter([
                'prov:startTime' => $run->started_at->toIso8601ZuluString('millisecond'),
                'prov:endTime' => $run->ended_at?->toIso8601ZuluString('millisecond'),
                'prov:label' => "run {$run->number}",
                'd:status' => $run->status,
                'd:polymer' => $run->polymer,
            ])],
            'agent' => [],
            'used' => [],
            'wasDerivedFrom' => [],
            'wasGeneratedBy' => [],
            'wasAssociatedWith' => [],
        ];
        foreach ($trace->nodes as $node) {
            if ($node->kind !== 'run') {
                $document['entity'][self::named($node->id)] = self::material($node);
            }
        }
        foreach ($trace->flows as $flow) {
            $from = self::named($flow->from);
            $to = self::named($flow->to);
            if ($to === $activity) {
                $document['used'][self::blank('u', $document['used'])] = [
                    'prov:activity' => $activity, 'prov:entity' => $from, 'd:grams' => round($flow->grams, 3),
                ];
            } else {
                $document['wasDerivedFrom'][self::blank('w', $document['wasDerivedFrom'])] = [
                    'prov:generatedEntity' => $to, 'prov:usedEntity' => $from, 'd:grams' => round($flow->grams, 3),
                ];
            }
        }
        foreach ($run->outputs as $output) {
            $made = self::named("output:{$output->id}");
            $document['entity'][$made] = self::made($run, $output);
            $document['wasGeneratedBy'][self::blank('g', $document['wasGeneratedBy'])] = [
                'prov:entity' => $made, 'prov:activity' => $activity,
                'prov:time' => Seconds::moment(Seconds::of($output->at))->toIso8601ZuluString('millisecond'),
            ];
        }

        return self::agents($document, $run, $activity, $plan);
    }

    /**
     * Who worked on it and on what: people with the plan they worked by, machines without one.
     *
     * @param  array<string, array<string, mixed>>  $document
     * @return array<string, mixed>
     */
    private static function agents(array $document, Run $run, string $activity, string $plan): array
    {
        $people = $run->events->map(static fn ($e): User => $e->by)->push($run->starter)->unique('id')->sortBy('id');
        foreach ($people as $person) {
            $agent = self::named("person:{$person->id}");
            $document['agent'][$agent] = ['prov:type' => self::qualified('prov:Person'), 'prov:label' => $person->name];
            $document['wasAssociatedWith'][self::blank('a', $document['wasAssociatedWith'])] = [
                'prov:activity' => $activity, 'prov:agent' => $agent, 'prov:plan' => $plan,
            ];
        }
        foreach ($run->stations as $station) {
            $agent = self::named("machine:{$station->machine_id}");
            $document['agent'][$agent] = ['prov:type' => 'd:machine', 'prov:label' => $station->machine->name];
            $document['wasAssociatedWith'][self::blank('a', $document['wasAssociatedWith'])] = [
                'prov:activity' => $activity, 'prov:agent' => $agent, 'prov:role' => $station->role,
            ];
        }

        // What holds nothing is left out: an empty list is no object.
        return array_filter($document, static fn (array $part): bool => $part !== []);
    }

    /** @return array<string, mixed> */
    private static function material(TraceNodeData $node): array
    {
        return [
            'prov:type' => "d:{$node->kind}",
            'prov:label' => $node->title,
            'd:says' => $node->says,
            'd:share' => round($node->share, 6),
            'd:grams' => round($node->grams, 3),
            'd:certainty' => $node->sure ? 'sure' : 'mixed',
        ];
    }

    /** @return array<string, mixed> */
    private static function made(Run $run, RunOutput $output): array
    {
        return array_filter([
            'prov:type' => "d:{$output->kind->value}",
            'prov:label' => $output->lot->code ?? $run->product->name,
            'd:count' => $output->count,
            'd:grams' => $output->mass_g === null ? null : (float) $output->mass_g,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** "lot:12" in our space: a name may hold no second colon. */
    private static function named(string $id): string
    {
        return 'd:'.str_replace(':', '/', $id);
    }

    /** @return array{'$': string, type: string} */
    private static function qualified(string $name): array
    {
        return ['$' => $name, 'type' => 'xsd:QName'];
    }

    /** @param  array<string, mixed>  $all */
    private static function blank(string $letter, array $all): string
    {
        return "_:{$letter}".(count($all) + 1);
    }
}
