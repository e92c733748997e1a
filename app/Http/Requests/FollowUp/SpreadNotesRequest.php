<?php

declare(strict_types=1);

namespace App\Http\Requests\FollowUp;

use HonestCore\FollowUp\SpreadNote;
use HonestCore\Table\Fields;
use Illuminate\Foundation\Http\FormRequest;

/** A batch of entries of the spreader's log, in the order in which they were made. */
final class SpreadNotesRequest extends FormRequest
{
    public const MOST = 100;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'device' => ['required', 'uuid'],
            'entries' => ['required', 'array', 'list', 'max:'.self::MOST],
            'entries.*' => ['array:'.implode(',', [
                'uuid', 'area_id', 'program_id', 'part', 'product', 'what', 'as_planned', 'line', 'amount', 'unit', 'on', 'weather',
                'spread_by', 'note', 'takes_back',
            ])],
            'entries.*.uuid' => ['required', 'bail', 'string', 'uuid'],
            'entries.*.area_id' => ['required', 'integer:strict', 'min:1'],
            'entries.*.program_id' => ['present', 'nullable', 'integer:strict', 'min:1'],
            'entries.*.part' => ['required', 'integer:strict', 'between:0,1000'],
            'entries.*.product' => ['present', 'string', 'max:60'],
            'entries.*.what' => ['present', 'string', 'max:120'],
            'entries.*.as_planned' => ['required', 'boolean:strict'],
            'entries.*.line' => ['present', 'nullable', 'string', 'max:100'],
            'entries.*.amount' => ['present', 'nullable', 'numeric:strict', 'between:-1000000,1000000'],
            'entries.*.unit' => ['present', 'string', 'max:20'],
            'entries.*.on' => ['present', 'string', 'max:20'],
            'entries.*.weather' => ['present', 'string', 'max:120'],
            'entries.*.spread_by' => ['present', 'string', 'max:120'],
            'entries.*.note' => ['present', 'string', 'max:500'],
            'entries.*.takes_back' => ['present', 'nullable', 'string', 'uuid'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'entries.max' => 'Up to '.self::MOST.' entries are taken at once; send the others after them.',
            'entries.*.on.present' => 'The day it was spread is missing.',
            'entries.*.amount.numeric' => 'The rate is no number; accepted is one such as 46 or 2.5.',
            'entries.*.amount.between' => 'The rate is beyond all practice; accepted is one from 0 on.',
        ];
    }

    /** Empty texts are texts here: nothing was said. */
    protected function prepareForValidation(): void
    {
        $entries = [];
        foreach ($this->array('entries') as $i => $entry) {
            $entries[$i] = $entry;
            foreach (is_array($entry) ? ['product', 'what', 'unit', 'on', 'weather', 'spread_by', 'note'] : [] as $field) {
                if (array_key_exists($field, $entry) && $entry[$field] === null) {
                    $entries[$i][$field] = '';
                }
            }
        }
        $this->merge(['entries' => $entries === [] ? $this->input('entries') : $entries]);
    }

    /** @return list<SpreadNote> */
    public function entries(): array
    {
        return array_map(SpreadNote::fromRow(...), (new Fields($this->all()))->rows('entries'));
    }
}
