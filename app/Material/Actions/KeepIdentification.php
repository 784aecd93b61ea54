<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Identification;
use App\People\Models\User;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Identification\RankResult;
use Illuminate\Support\Facades\DB;

/** What tests said of an item: the core decides anew from the evidence, and that is kept, once per id. */
final readonly class KeepIdentification
{
    public function __construct(private Registry $calculations, private Sent $sent)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $evidence
     *
     * @throws InputError
     */
    public function __invoke(string $id, User $by, array $evidence): RankResult
    {
        $result = $this->calculations->run('identify.rank', ['evidence' => $evidence]);
        assert($result instanceof RankResult);
        DB::transaction(function () use ($id, $by, $evidence, $result): void {
            $this->sent->as($id);
            Identification::query()->firstOrCreate(['id' => $id], [
                'evidence' => $evidence,
                'decision' => $result->decision,
                'probability' => $result->ranked[0]->probability,
                'by_id' => $by->id,
                'at' => CarbonImmutable::now(),
            ]);
        });

        return $result;
    }
}
