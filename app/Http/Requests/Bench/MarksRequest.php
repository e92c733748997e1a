<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use App\Database\Values;
use App\Http\Requests\Concerns\GivesFields;
use HonestCore\Bench\Mark;
use HonestCore\Bench\ProtocolBreak;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Marks of a run, in the order in which they were made. */
final class MarksRequest extends FormRequest
{
    use GivesFields;

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
        foreach ($this->rowsOf('marks') as $mark) {
            $marks[] = [
                'uuid' => Values::text($mark['uuid'] ?? null),
                'kind' => Values::text($mark['kind'] ?? null),
                'tube' => Values::whole($mark['tube'] ?? null),
                'at_ms' => Values::whole($mark['at_ms'] ?? null),
                'data' => self::dataOf($mark),
            ];
        }

        return $marks;
    }

    /**
     * @param array<mixed> $mark
     * @return array<string, mixed>
     */
    private static function dataOf(array $mark): array
    {
        $data = [];
        foreach (self::DATA as $name) {
            if (array_key_exists($name, $mark)) {
                $data[$name] = $mark[$name];
            }
        }

        return $data;
    }
}
