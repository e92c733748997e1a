<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use HonestCore\Bench\Mark;
use HonestCore\Bench\ProtocolBreak;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Marks of a run, in the order in which they were made. */
final class MarksRequest extends FormRequest
{
    private const DATA = ['step', 'reader', 'typed', 'between', 'code', 'undoes', 'note', 'capture_id', 'match'];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'now_ms' => ['required', 'integer', 'min:1'],
            'marks' => ['required', 'array', 'list', 'max:200'],
            'marks.*.uuid' => ['required', 'uuid', 'distinct'],
            'marks.*.kind' => ['required', Rule::in(Mark::KINDS)],
            'marks.*.tube' => ['required', 'integer', 'between:1,1000'],
            'marks.*.at_ms' => ['required', 'integer', 'min:0'],
            'marks.*.step' => ['sometimes', 'string', 'max:40'],
            'marks.*.reader' => ['sometimes', 'string', 'max:80'],
            'marks.*.typed' => ['sometimes', 'string', 'max:40'],
            'marks.*.between' => ['sometimes', 'nullable', 'string', 'max:40'],
            'marks.*.code' => ['sometimes', 'string', Rule::in(ProtocolBreak::codes())],
            'marks.*.undoes' => ['sometimes', 'uuid'],
            'marks.*.note' => ['sometimes', 'nullable', 'string', 'max:500'],
            'marks.*.capture_id' => ['sometimes', 'nullable', 'integer'],
            'marks.*.match' => ['sometimes', 'nullable', 'array'],
            'marks.*.match.nearest' => ['sometimes', 'string', 'max:40'],
            'marks.*.match.difference' => ['sometimes', 'numeric'],
            'marks.*.match.next' => ['sometimes', 'string', 'max:40'],
            'marks.*.match.margin' => ['sometimes', 'numeric'],
            'marks.*.match.safety' => ['sometimes', 'string', 'max:10'],
        ];
    }

    /** @return list<array{uuid: string, kind: string, tube: int, at_ms: int, data: array<string, mixed>}> */
    public function marks(): array
    {
        $marks = [];
        foreach ($this->validated()['marks'] as $mark) {
            $marks[] = [
                'uuid' => (string) $mark['uuid'],
                'kind' => (string) $mark['kind'],
                'tube' => (int) $mark['tube'],
                'at_ms' => (int) $mark['at_ms'],
                'data' => array_intersect_key($mark, array_flip(self::DATA)),
            ];
        }

        return $marks;
    }
}
