<?php

declare(strict_types=1);

namespace App\Http\Requests\Areas;

use App\Models\Area;
use App\Models\Site;
use HonestCore\Agronomy\AreaName;
use HonestCore\Agronomy\Crop;
use HonestCore\Sampling\AreaFacts;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** An area to create or change; a name that nobody will find again must be kept on purpose. */
final class AreaRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $area = $this->route('area');
        $site = $this->route('site');
        $siteId = $area instanceof Area ? $area->site_id : ($site instanceof Site ? $site->id : 0);

        return [
            ...self::fields(),
            'name' => [
                'required',
                'string',
                'max:80',
                Rule::unique('areas')
                    ->where('site_id', $siteId)
                    ->ignore($area instanceof Area ? $area->id : null),
            ],
            'keep_name' => ['sometimes', 'boolean'],
            'state' => ['sometimes', 'string', 'max:16'],
        ];
    }

    /** @return array<string, list<mixed>> */
    public static function fields(): array
    {
        return [
            'use' => [
                'required',
                'string',
                Rule::in(array_map(static fn (Crop $crop): string => $crop->code, Crop::all())),
            ],
            'history' => ['present', 'nullable', 'string', 'max:2000'],
            'boundary' => ['required', 'array'],
            'facts' => ['sometimes', 'array'],
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                $question =
                    $this->boolean('keep_name') || $validator->errors()->has('name')
                        ? null
                        : AreaName::question($this->string('name')->toString());
                if ($question !== null) {
                    $validator->errors()->add('name', $question);
                }
            },
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.unique' => 'This site has an area of this name already.',
            'boundary.required' => 'Draw the boundary on the map, or read it from a GeoJSON file.',
            'name.required' => 'Give it a name that will still find the ground in ten years.',
            'use.required' => 'Choose a use from the list.',
            'use.in' => 'Choose a use from the list.',
        ];
    }

    /** The state of the area that the edit began from; null where it is not said. */
    public function basedOn(): ?string
    {
        return $this->has('state') ? $this->string('state')->toString() : null;
    }

    /**
     * @return array{name: string, use: string, history: string, boundary: array<string, mixed>, facts?: array<string,
     * mixed>}
     */
    public function fieldsGiven(): array
    {
        /** @var array<string, mixed> $boundary */
        $boundary = $this->array('boundary');

        return [
            'name' => $this->string('name')->trim()->toString(),
            'use' => $this->string('use')->toString(),
            'history' => $this->string('history')->toString(),
            'boundary' => $boundary,
            ...$this->has('facts') ? ['facts' => AreaFacts::of($this->array('facts'))->toArray()] : [],
        ];
    }
}
