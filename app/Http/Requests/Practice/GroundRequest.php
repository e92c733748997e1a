<?php

declare(strict_types=1);

namespace App\Http\Requests\Practice;

use HonestCore\Practice\Lesson;
use HonestCore\Practice\PracticeLevel;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A practice ground that is asked for: a lesson, or ground of a level and a number. */
final class GroundRequest extends FormRequest
{
    private const MOST_SEED = 999_999;

    private const PAIRS = 14;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'lesson' => ['present', 'nullable', 'string', Rule::in(array_keys(Lesson::all()))],
            'level' => ['required', 'string', Rule::in(PracticeLevel::names())],
            'seed' => ['present', 'nullable', 'integer', 'min:1', 'max:'.self::MOST_SEED],
            'earlier' => ['sometimes', 'boolean'],
        ] + ($this->is('api/practice/classes') ? ['name' => ['required', 'string', 'min:2', 'max:80']] : []);
    }

    public function lesson(): ?Lesson
    {
        $code = $this->input('lesson');

        return is_string($code) ? Lesson::named($code) : null;
    }

    /** A lesson has a level of its own. */
    public function level(): string
    {
        return $this->lesson()->level ?? $this->string('level')->toString();
    }

    public function seed(): int
    {
        return $this->lesson()->seed ?? ($this->input('seed') === null ? random_int(1, self::MOST_SEED) : $this->integer('seed'));
    }

    /** Pairs of kit and lab of a year before. */
    public function pairs(): int
    {
        return $this->boolean('earlier') ? self::PAIRS : 0;
    }

    public function className(): string
    {
        return $this->string('name')->trim()->toString();
    }
}
