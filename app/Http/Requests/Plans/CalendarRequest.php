<?php

declare(strict_types=1);

namespace App\Http\Requests\Plans;

use App\Models\Plan;
use HonestCore\Sampling\BackwardCalendar;
use Illuminate\Foundation\Http\FormRequest;

/** The day the lime must be on, and how long the lab and the way there take. */
final class CalendarRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'lime_on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2100-01-01'],
            'lab_days' => ['sometimes', 'integer', 'between:0,120'],
            'shipping_days' => ['sometimes', 'integer', 'between:0,120'],
        ];
    }

    public function calendar(Plan $plan): BackwardCalendar
    {
        return BackwardCalendar::before(
            new \DateTimeImmutable($this->string('lime_on')->toString()),
            new \DateTimeImmutable($plan->today()),
            $this->has('lab_days') ? $this->integer('lab_days') : null,
            $this->has('shipping_days') ? $this->integer('shipping_days') : null,
        );
    }
}
