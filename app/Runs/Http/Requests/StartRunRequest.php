<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\People\Models\User;
use Dithermic\Core\Calculator\InputError;

final class StartRunRequest extends PlanRequest
{
    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'lot_id' => ['required', 'integer', 'exists:lots,id'],
            'confirmed_by' => ['required', 'integer'],
            'overrides' => ['nullable', 'list', 'max:10'],
            'overrides.*.id' => ['required', 'string', 'max:40'],
            'overrides.*.reason' => ['required', 'string', 'min:5', 'max:500'],
        ] + parent::rules();
    }

    /** @return list<array{id: string, reason: string}> */
    public function overrides(): array
    {
        return array_values(array_map(
            static fn (array $o): array => ['id' => (string) $o['id'], 'reason' => (string) $o['reason']],
            (array) $this->input('overrides', []),
        ));
    }

    /**
     * Protection and air are confirmed by the one who starts, not by whoever sat there before.
     *
     * @throws InputError
     */
    public function mustBeConfirmedBy(User $starter): void
    {
        if ($this->integer('confirmed_by') !== $starter->id) {
            throw new InputError(
                'confirmed_by',
                "is somebody else: {$starter->name} starts, so {$starter->name} looks at protection and air and confirms them",
            );
        }
    }
}
