<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Http\OneOfSeveral;
use App\Material\Actions\LotAct;
use Illuminate\Validation\Rule;

final class ActOnLotRequest extends Body implements OneOfSeveral
{
    private const CONTAINER = [
        'location' => ['nullable', 'string', 'max:60'],
        'tare_g' => ['nullable', 'numeric', 'min:0', 'max:1000000'],
    ];

    private const REASON = ['required', 'string', 'max:500'];

    public function authorize(): bool
    {
        return $this->may('update', $this->route('lot'));
    }

    public function rules(): array
    {
        $said = $this->input('kind');
        $kind = is_string($said) ? LotAct::tryFrom($said) : null;
        $any = ['id' => ['required', 'uuid'], 'kind' => ['required', Rule::enum(LotAct::class)]];

        return $kind === null ? $any : $any + self::of($kind);
    }

    public static function several(): array
    {
        $several = [];
        foreach (LotAct::cases() as $kind) {
            $several[$kind->value] = [
                'id' => ['required', 'uuid'],
                'kind' => ['required', Rule::in([$kind->value])],
            ] + self::of($kind);
        }

        return $several;
    }

    public function lotAct(): LotAct
    {
        return LotAct::from($this->string('kind')->value());
    }

    /** @return array<string, list<mixed>> */
    private static function of(LotAct $kind): array
    {
        return match ($kind) {
            LotAct::Split => ['mass_g' => self::MASS_G] + self::CONTAINER,
            LotAct::Shred => ['mass_in_g' => self::MASS_G, 'mass_out_g' => self::MASS_G] + self::CONTAINER,
            LotAct::Count => [
                'weighed_g' => ['required', 'numeric', 'min:0', 'max:1000000000'],
                'reason' => ['nullable', 'string', 'max:500'],
            ],
            LotAct::Waste => ['mass_g' => self::MASS_G, 'reason' => self::REASON],
            LotAct::Place => [
                'from' => ['present', 'nullable', 'string', 'max:60'],
                'reserved_for_id' => ['nullable', 'integer', 'exists:products,id'],
            ] + self::CONTAINER,
            LotAct::Contamination => [
                'found' => ['required', 'string', 'max:30'],
                'found_g' => ['required', 'numeric', 'min:0', 'max:1000000'],
                'sample_g' => ['required', 'numeric', 'gt:0', 'max:1000000'],
                'note' => ['nullable', 'string', 'max:500'],
            ],
            LotAct::PutRight => ['act_id' => ['required', 'uuid']],
            LotAct::Doubt => ['reason' => self::REASON],
            LotAct::Identify => ['identification_id' => ['required', 'uuid']],
        };
    }
}
