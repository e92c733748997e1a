<?php

declare(strict_types=1);

namespace App\Http\Requests\Samples;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;

/** A batch of a phone's entries, in the order in which they were made. */
final class NotesRequest extends FormRequest
{
    public const MOST = 500;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'device' => ['required', 'uuid'],
            'now' => ['required', 'date'],
            'entries' => ['required', 'array', 'list', 'max:'.self::MOST],
            'entries.*.uuid' => ['required', 'uuid'],
            'entries.*.plan_id' => ['required', 'integer', 'min:1'],
            'entries.*.composite' => ['required', 'integer', 'between:1,100000'],
            'entries.*.ordinal' => ['required', 'integer', 'between:1,2000000000'],
            'entries.*.sequence' => ['required', 'integer', 'between:1,100000'],
            'entries.*.outcome' => ['required', 'string', 'max:20'],
            'entries.*.reason' => ['present', 'nullable', 'string', 'max:200'],
            'entries.*.at' => ['required', 'date'],
            'entries.*.longitude' => ['present', 'nullable', 'numeric', 'between:-180,180'],
            'entries.*.latitude' => ['present', 'nullable', 'numeric', 'between:-90,90'],
            'entries.*.accuracy_m' => ['present', 'nullable', 'numeric', 'between:0,100000'],
            'entries.*.settles' => ['present', 'array', 'list', 'max:50'],
            'entries.*.settles.*' => ['uuid'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['entries.max' => 'Up to '.self::MOST.' entries are taken at once; send the others after them.'];
    }

    public function phoneNow(): Carbon
    {
        return Carbon::parse($this->string('now')->toString());
    }

    /** @return list<array{uuid: string, plan_id: int, composite: int, ordinal: int, sequence: int, outcome: string, reason: string|null, at: string, longitude: float|null, latitude: float|null, accuracy_m: float|null, settles: list<string>}> */
    public function entries(): array
    {
        /** @var list<array{uuid: string, plan_id: int, composite: int, ordinal: int, sequence: int, outcome: string, reason: string|null, at: string, longitude: float|null, latitude: float|null, accuracy_m: float|null, settles: list<string>}> $entries */
        $entries = $this->array('entries');

        return $entries;
    }
}
