<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Lot;
use Dithermic\Core\Stock\LotForm;
use Illuminate\Validation\Rule;

final class DeliverLotRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Lot::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'source_id' => ['required', 'integer', 'exists:sources,id'],
            'polymer' => ['required', 'string', 'max:20'],
            'form' => ['required', Rule::enum(LotForm::class)],
            'colour' => ['required', 'string', 'max:60'],
            'swatch' => ['required', 'regex:/^#[0-9a-fA-F]{6}$/'],
            'location' => ['nullable', 'string', 'max:60'],
            'mass_g' => self::MASS_G,
            'generation' => ['nullable', 'integer', 'min:0', 'max:20'],
            'tare_g' => ['nullable', 'numeric', 'min:0', 'max:1000000'],
            'reserved_for_id' => ['nullable', 'integer', 'exists:products,id'],
            'picture_id' => ['nullable', 'uuid', 'exists:pictures,id'],
            'sheet' => ['nullable', 'array:length_mm,width_mm,thickness_mm,film_side,finish'],
            'sheet.length_mm' => ['required_with:sheet', 'numeric', 'gt:0', 'max:10000'],
            'sheet.width_mm' => ['required_with:sheet', 'numeric', 'gt:0', 'max:10000'],
            'sheet.thickness_mm' => ['required_with:sheet', 'numeric', 'gt:0', 'max:200'],
            'sheet.film_side' => ['nullable', Rule::in(['none', 'good side', 'both'])],
            'sheet.finish' => ['nullable', 'string', 'max:40'],
        ];
    }
}
