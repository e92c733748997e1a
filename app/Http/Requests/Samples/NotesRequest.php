<?php

declare(strict_types=1);

namespace App\Http\Requests\Samples;

use HonestCore\Custody\PhoneEntry;
use HonestCore\Table\Fields;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Illuminate\Validation\Validator;

/** A batch of a phone's entries, in the order in which they were made. */
final class NotesRequest extends FormRequest
{
    public const MOST = 500;

    /** field => check, what is accepted */
    private const FIELDS = [
        'uuid' => ['isId', 'a UUID'],
        'plan_id' => ['isCount', 'a whole number from 1'],
        'composite' => ['isCount', 'a whole number from 1'],
        'ordinal' => ['isCount', 'a whole number from 1'],
        'sequence' => ['isCount', 'a whole number from 1'],
        'outcome' => ['isWord', 'a word of up to 20 letters'],
        'reason' => ['isReason', 'nothing or up to 200 letters'],
        'at' => ['isMoment', 'a moment such as 2026-09-24T14:05:00Z'],
        'longitude' => ['isDegrees', 'nothing or degrees from -180 to 180'],
        'latitude' => ['isDegrees', 'nothing or degrees'],
        'accuracy_m' => ['isLength', 'nothing or metres from 0 to 100000'],
        'settles' => ['areIds', 'a list of up to 50 UUIDs'],
    ];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'device' => ['required', 'uuid'],
            'now' => ['required', 'bail', 'string', 'date'],
            'entries' => ['required', 'array', 'list', 'max:'.self::MOST],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['entries.max' => 'Up to '.self::MOST.' entries are taken at once; send the others after them.'];
    }

    /**
     * Entry by entry in one pass: a rule for each field of each of 500 entries would take most of the request's time.
     *
     * @return list<callable(Validator): void>
     */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach ($validator->errors()->isEmpty() ? $this->array('entries') : [] as $i => $entry) {
                    foreach (self::FIELDS as $field => [$check, $accepted]) {
                        if (! is_array($entry) || ! array_key_exists($field, $entry) || ! self::{$check}($entry[$field])) {
                            $validator
                                ->errors()
                                ->add(
                                    "entries.{$i}.{$field}",
                                    "The {$field} of entry ".
                                        ((int) $i + 1).
                                        " is missing or not as it must be; accepted is {$accepted}.",
                                );
                        }
                    }
                }
            },
        ];
    }

    private static function isId(mixed $value): bool
    {
        return Str::isUuid($value);
    }

    private static function isCount(mixed $value): bool
    {
        return is_int($value) && $value >= 1 && $value <= 2_000_000_000;
    }

    private static function isWord(mixed $value): bool
    {
        return is_string($value) && $value !== '' && mb_strlen($value) <= 20;
    }

    private static function isReason(mixed $value): bool
    {
        return $value === null || (is_string($value) && mb_strlen($value) <= 200);
    }

    private static function isMoment(mixed $value): bool
    {
        return is_string($value) &&
            preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:\d\d)$/D', $value) === 1 &&
            strtotime($value) !== false;
    }

    private static function isDegrees(mixed $value): bool
    {
        return $value === null || ((is_int($value) || is_float($value)) && abs($value) <= 180);
    }

    private static function isLength(mixed $value): bool
    {
        return $value === null || ((is_int($value) || is_float($value)) && $value >= 0 && $value <= 100_000);
    }

    private static function areIds(mixed $value): bool
    {
        return is_array($value) &&
            array_is_list($value) &&
            count($value) <= 50 &&
            array_filter($value, self::isId(...)) === $value;
    }

    public function phoneNow(): Carbon
    {
        return Carbon::parse($this->string('now')->toString());
    }

    /** @return list<PhoneEntry> */
    public function entries(): array
    {
        return array_map(PhoneEntry::fromRow(...), (new Fields($this->all()))->rows('entries'));
    }
}
