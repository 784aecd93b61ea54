<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use Dithermic\Core\Calculator\InputError;

final class GetRunLabelRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('viewAny', Run::class);
    }

    public function rules(): array
    {
        return ['piece' => ['nullable', 'integer', 'between:1,1000000']];
    }

    /** @throws InputError where the run has no such piece */
    public function piece(Run $run): ?int
    {
        $piece = $this->validated()['piece'] ?? null;
        if ($piece === null) {
            return null;
        }
        if (! Piece::query()->where(['run_id' => $run->id, 'number' => $piece])->exists()) {
            throw new InputError('piece', "is none of run {$run->number}");
        }

        return (int) $piece;
    }
}
