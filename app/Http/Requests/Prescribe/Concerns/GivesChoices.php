<?php

declare(strict_types=1);

namespace App\Http\Requests\Prescribe\Concerns;

use HonestCore\Program\ProgramChoices;

/** What somebody chose for a program: sizes are checked here, the rest by the core. */
trait GivesChoices
{
    /** @return array<string, list<string>> */
    private function choicesRules(): array
    {
        return [
            'choices' => ['required', 'array:'.implode(',', array_keys($this->choiceFields()))],
            ...$this->choiceFields('choices.'),
            'choices.credits.*' => ['nullable', 'numeric', 'min:0', 'max:100000'],
            'choices.products.*' => ['string', 'max:60'],
            'choices.mix.*' => ['array:part,product,lb_per_acre'],
            'choices.mix.*.part' => ['required', 'integer', 'between:0,1000'],
            'choices.mix.*.product' => ['required', 'string', 'max:60'],
            'choices.mix.*.lb_per_acre' => ['required', 'numeric', 'min:0', 'max:40000'],
            'choices.overrides.*' => ['array:part,key,lb_per_acre,reason'],
            'choices.overrides.*.part' => ['required', 'integer', 'between:0,1000'],
            'choices.overrides.*.key' => ['required', 'string', 'max:20'],
            'choices.overrides.*.lb_per_acre' => ['required', 'numeric', 'min:0', 'max:40000'],
            'choices.overrides.*.reason' => ['required', 'string', 'min:10', 'max:500'],
            'choices.bed.*' => ['numeric', 'gt:0', 'max:1000'],
        ];
    }

    /** @return array<string, list<string>> */
    private function choiceFields(string $before = ''): array
    {
        $fields = [
            'crop' => ['required', 'string', 'max:40'],
            'yield' => ['present', 'nullable', 'numeric', 'between:0,2000'],
            'lime_school' => ['present', 'nullable', 'string', 'max:20'],
            'nutrient_school' => ['required', 'in:build,sufficiency'],
            'years' => ['required', 'numeric', 'between:1,20'],
            'mixed_in' => ['required', 'numeric', 'between:1,12'],
            'plant_on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2200-01-01'],
            'credits' => ['present', 'nullable', 'array', 'max:9'],
            'by_nitrate' => ['required', 'boolean'],
            'organic_only' => ['required', 'boolean'],
            'products' => ['present', 'nullable', 'array', 'max:250'],
            'mix' => ['present', 'array', 'max:400'],
            'mix_reason' => ['present', 'nullable', 'string', 'max:500'],
            'overrides' => ['present', 'array', 'max:200'],
            'bed' => ['present', 'nullable', 'array', 'size:2'],
        ];

        return array_combine(array_map(static fn (string $name): string => $before.$name, array_keys($fields)), $fields);
    }

    public function choices(): ProgramChoices
    {
        $row = $this->array('choices');
        $row['lime_school'] ??= '';
        $row['mix_reason'] ??= '';

        return ProgramChoices::fromRow($row);
    }
}
