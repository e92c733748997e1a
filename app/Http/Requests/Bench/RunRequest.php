<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use App\Actions\Bench\StartRun;
use Illuminate\Foundation\Http\FormRequest;

/**
 * How a run is set up.
 *
 * @phpstan-import-type Setup from StartRun
 */
final class RunRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'submission' => ['required', 'uuid'],
            'method_id' => ['required', 'integer'],
            'portion_ids' => ['required', 'array', 'list', 'min:1', 'max:'.StartRun::MOST_TUBES],
            'portion_ids.*' => ['integer', 'distinct'],
            'replicates' => ['required', 'integer', 'between:1,6'],
            'readers' => ['required', 'array', 'list', 'between:1,4'],
            'readers.*' => ['required', 'string', 'min:2', 'max:80', 'distinct'],
            'said' => ['present', 'array', 'max:10'],
            'said.*' => ['string', 'max:40'],
            'celsius' => ['present', 'nullable', 'numeric', 'between:-5,60'],
            'depth_cm' => ['present', 'nullable', 'numeric', 'between:1,60'],
            'lot_ids' => ['present', 'array', 'list', 'max:10'],
            'lot_ids.*' => ['integer', 'distinct'],
            'expired_anyway' => ['required', 'boolean'],
            'calibration_id' => ['present', 'nullable', 'integer'],
            'now_ms' => ['required', 'integer', 'min:1'],
            'note' => ['present', 'nullable', 'string', 'max:2000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'portion_ids.required' => 'Choose at least one portion.',
            'portion_ids.*.distinct' => 'A portion stands twice; for more tubes of it choose replicates.',
            'readers.*.distinct' => 'A reader stands twice.',
            'celsius.between' => 'The temperature must lie between -5 and 60 °C.',
            'depth_cm.between' => 'The depth of the water must lie between 1 and 60 cm.',
        ];
    }

    /** @return Setup */
    public function setup(): array
    {
        /** @var non-empty-list<string> $readers */
        $readers = array_map(trim(...), array_values($this->array('readers')));
        /** @var array<string, string> $said */
        $said = $this->array('said');

        return [
            'submission' => $this->string('submission')->toString(),
            'portion_ids' => array_map(intval(...), array_values($this->array('portion_ids'))),
            'replicates' => $this->integer('replicates'),
            'readers' => $readers,
            'said' => $said,
            'celsius' => $this->input('celsius') === null ? null : $this->float('celsius'),
            'depth_cm' => $this->input('depth_cm') === null ? null : $this->float('depth_cm'),
            'lot_ids' => array_map(intval(...), array_values($this->array('lot_ids'))),
            'expired_anyway' => $this->boolean('expired_anyway'),
            'calibration_id' => $this->input('calibration_id') === null ? null : $this->integer('calibration_id'),
            'now_ms' => $this->integer('now_ms'),
            'note' => $this->string('note')->toString(),
        ];
    }
}
