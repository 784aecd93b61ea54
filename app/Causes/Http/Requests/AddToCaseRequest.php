<?php

declare(strict_types=1);

namespace App\Causes\Http\Requests;

use App\Causes\Models\CaseOf;
use App\Http\Body;
use Dithermic\Core\Diagnosis\Answer;
use Dithermic\Core\Diagnosis\CaseEntry;
use Dithermic\Core\Diagnosis\Severity;
use Illuminate\Validation\Rule;

final class AddToCaseRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', CaseOf::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'after' => ['required', 'integer', 'between:0,9000000000000000'],
            'kind' => ['required', Rule::enum(CaseEntry::class)],
            'defect' => ['required_if:kind,seen', 'string', 'max:40'],
            'where' => ['nullable', 'string', 'max:60'],
            'severity' => ['nullable', Rule::enum(Severity::class)],
            'question' => ['required_if:kind,answered', 'string', 'max:80'],
            'answer' => ['required_if:kind,answered', Rule::enum(Answer::class)],
            'signal' => ['required_if:kind,read', 'string', 'max:60'],
            'number' => ['nullable', 'numeric', 'between:-1000000,1000000'],
            'word' => ['nullable', 'string', 'max:60'],
            'parameter' => ['required_if:kind,changed', 'string', 'max:60'],
            'from' => ['nullable', 'numeric', 'between:-1000000000,1000000000'],
            'to' => ['nullable', 'numeric', 'between:-1000000000,1000000000'],
            'keep' => ['nullable', 'boolean'],
            'worked' => ['required_if:kind,judged', 'boolean'],
        ];
    }

    public static function says(): array
    {
        return [
            'after' => 'the newest entry that was seen',
            'number' => 'what a signal reads, where that is a number',
            'word' => 'what a signal reads, where that is a word: yes and no as true and false',
            'keep' => 'true: the proposed change goes into the next set-up',
        ];
    }

    /** @return array<string, mixed> what the kind is about, and nothing else */
    public function said(): array
    {
        $given = $this->validated();
        $of = [
            'seen' => ['defect', 'where', 'severity'],
            'answered' => ['question', 'answer'],
            'read' => ['signal'],
            'changed' => ['parameter', 'from', 'to', 'keep'],
            'judged' => ['worked'],
        ][$given['kind']] ?? [];
        $said = array_intersect_key($given, array_flip($of));
        if ($given['kind'] !== CaseEntry::Read->value) {
            return $said;
        }
        $word = $given['word'] ?? null;

        return $said + ['value' => match (true) {
            isset($given['number']) => (float) $given['number'],
            $word === 'true', $word === 'false' => $word === 'true',
            default => $word,
        }];
    }
}
