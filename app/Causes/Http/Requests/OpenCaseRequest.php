<?php

declare(strict_types=1);

namespace App\Causes\Http\Requests;

use App\Causes\Models\CaseOf;
use App\Http\Body;
use Dithermic\Core\Diagnosis\CaseFile;
use Dithermic\Core\Diagnosis\Severity;
use Illuminate\Validation\Rule;

final class OpenCaseRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', CaseOf::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'piece' => ['nullable', 'integer', 'between:1,1000000'],
            'defects' => ['required', 'list', 'between:1,'.CaseFile::MOST_DEFECTS],
            'defects.*.id' => ['required', 'string', 'max:40'],
            'defects.*.where' => ['nullable', 'string', 'max:60'],
            'defects.*.severity' => ['nullable', Rule::enum(Severity::class)],
        ];
    }

    public static function says(): array
    {
        return ['piece' => 'its number; none where the run is one pass'];
    }
}
