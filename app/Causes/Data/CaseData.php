<?php

declare(strict_types=1);

namespace App\Causes\Data;

use App\Runs\Data\RunLinkData;
use Dithermic\Core\Diagnosis\Band;
use Dithermic\Core\Diagnosis\RankResult;
use OpenApi\Attributes as OA;

/** A bad piece whose cause is looked for, with what is likeliest, what to ask next and what to change. */
#[OA\Schema]
final readonly class CaseData
{
    /**
     * @param  list<SeenDefectData>  $defects
     * @param  list<SignalData>  $known
     * @param  list<AnswerData>  $answers
     * @param  list<Band>  $bands
     * @param  list<MadeData>  $changes
     * @param  list<CauseCountData>  $shop
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public RunLinkData $run,
        #[OA\Property] public string $product,
        #[OA\Property] public string $process,
        #[OA\Property] public string $machine,
        #[OA\Property(description: 'null where the run is one pass')] public ?int $piece,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
        #[OA\Property] public bool $closed,
        #[OA\Property(description: 'newest entry; sent back with the next')] public int $after,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SeenDefectData'),
        )]
        public array $defects,
        #[OA\Property(
            description: 'that nobody had to be asked for, and what was read',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SignalData'),
        )]
        public array $known,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/AnswerData'))]
        public array $answers,
        #[OA\Property(ref: '#/components/schemas/DiagnoseRankResult')] public RankResult $ranking,
        #[OA\Property(
            description: 'what the question may be answered by, where that is a number',
            type: 'array',
            items: new OA\Items(
                type: 'object',
                required: ['says', 'value'],
                properties: [
                    new OA\Property(property: 'says', type: 'string'),
                    new OA\Property(property: 'value', type: 'number'),
                ],
            ),
        )]
        public array $bands,
        #[OA\Property(
            description: 'how the next set-up would have the change; null where it is an act',
        )]
        public ?TakeData $take,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MadeData'))] public array $changes,
        #[OA\Property(description: 'pieces that judge a change')] public int $judged_by,
        #[OA\Property(description: 'of them, judged since the newest change')] public int $since,
        #[OA\Property(description: 'whether they say that it worked; null while they do not')]
        public ?bool $says_worked,
        #[OA\Property(
            description: 'of these defects, what this shop has seen',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/CauseCountData'),
        )]
        public array $shop,
    ) {
    }
}
