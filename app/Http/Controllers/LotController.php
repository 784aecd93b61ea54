<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\LotDetailData;
use App\Data\MovementData;
use App\Models\Lot;
use App\Models\LotMovement;
use App\Support\Present;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class LotController extends Controller
{
    private const NEWEST = 100;

    public function __construct(private readonly Present $present)
    {
    }

    #[OA\Get(path: '/lots', operationId: 'getLots', summary: 'Lots on the shelves', tags: ['lots'], responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotData')))])]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Lot::class);

        return new JsonResponse(Lot::query()->withHeld()->with('source')->orderBy('polymer')->orderBy('id')->limit(500)->get()->map(fn (Lot $l) => $this->present->lot($l)));
    }

    #[OA\Get(path: '/lots/{lot}', operationId: 'getLot', summary: 'A lot and its ledger', tags: ['lots'], parameters: [new OA\Parameter(name: 'lot', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(ref: '#/components/schemas/LotDetailData'))])]
    public function show(int $lot): JsonResponse
    {
        $found = Lot::query()->withHeld()->with('source')->findOrFail($lot);
        $this->authorize('view', $found);
        $balance = (float) $found->held_g;
        $lines = [];
        foreach ($found->movements()->with(['by', 'run'])->orderByDesc('id')->limit(self::NEWEST)->get() as $movement) {
            $lines[] = $this->line($movement, $balance);
            $balance -= (float) $movement->mass_g;
        }

        return new JsonResponse(new LotDetailData($this->present->lot($found), $lines));
    }

    private function line(LotMovement $m, float $balance): MovementData
    {
        return new MovementData($m->id, (float) $m->mass_g, $m->kind, $m->reason, $m->run_id, $m->run?->number, $m->by?->name, Present::time($m->at), round($balance, 3));
    }
}
