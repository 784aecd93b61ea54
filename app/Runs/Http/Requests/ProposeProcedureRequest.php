<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Runs\Models\ProcedureEntry;
use Dithermic\Core\Run\OwnWay;

final class ProposeProcedureRequest extends Body
{
    private const MOST_RUNS = 20;

    public function authorize(): bool
    {
        return $this->may('create', ProcedureEntry::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required_unless:preview,true', 'uuid'],
            'preview' => ['nullable', 'boolean'],
            'after' => ['required', 'integer', 'between:0,9000000000000000'],
            'changes' => ['present', 'list', 'max:'.OwnWay::MOST_CHANGES],
            'changes.*' => ['array', 'max:12'],
            'reason' => ['required_unless:preview,true', 'nullable', 'string', 'max:500'],
            'runs' => ['nullable', 'list', 'max:'.self::MOST_RUNS],
            'runs.*' => ['uuid'],
        ];
    }

    public static function says(): array
    {
        return [
            'preview' => 'true: nothing is kept, the answer is what it would be',
            'after' => 'the approved entry that was seen in force, 0 for none',
            'changes' => 'all that is otherwise than shipped; none: back to the library',
            'runs' => 'ids of runs that prove it',
        ];
    }
}
