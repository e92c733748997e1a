<?php

declare(strict_types=1);

namespace App\Http\Requests\Decide;

use Illuminate\Foundation\Http\FormRequest;

/** Fees, attention and what a mistake costs; money is in one currency, an area and year. */
final class StrategyRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $money = ['required', 'numeric', 'between:0,1000000'];

        return [
            'lab_fee' => $money,
            'lab_minutes' => $money,
            'test_fee' => $money,
            'test_minutes' => $money,
            'hour' => $money,
            'under' => $money,
            'over' => $money,
            'drift' => ['required', 'numeric', 'between:0,1000'],
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return [
            'lab_fee' => 'fee of the lab',
            'lab_minutes' => 'minutes for the lab',
            'test_fee' => 'cost of a test',
            'test_minutes' => 'minutes for a test',
            'hour' => 'cost of an hour',
            'under' => 'cost of too little',
            'over' => 'cost of too much',
            'drift' => 'change in a year',
        ];
    }

    /**
     * @return array{lab_fee: float, lab_minutes: float, test_fee: float, test_minutes: float, hour: float,
     * under: float, over: float, drift: float}
     */
    public function asked(): array
    {
        return [
            'lab_fee' => $this->float('lab_fee'),
            'lab_minutes' => $this->float('lab_minutes'),
            'test_fee' => $this->float('test_fee'),
            'test_minutes' => $this->float('test_minutes'),
            'hour' => $this->float('hour'),
            'under' => $this->float('under'),
            'over' => $this->float('over'),
            'drift' => $this->float('drift'),
        ];
    }
}
