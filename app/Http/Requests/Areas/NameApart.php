<?php

declare(strict_types=1);

namespace App\Http\Requests\Areas;

use Closure;
use Illuminate\Contracts\Validation\DataAwareRule;
use Illuminate\Contracts\Validation\ValidationRule;
use Illuminate\Support\Arr;

/** A name that no other of its list has, whatever the case of its letters. */
final class NameApart implements DataAwareRule, ValidationRule
{
    /** @var array<mixed> */
    private array $data = [];

    public function __construct(private readonly string $list, private readonly string $field, private readonly string $words) {}

    /** @param array<mixed> $data */
    public function setData(array $data): static
    {
        $this->data = $data;

        return $this;
    }

    /** @param Closure(string, string|null=): \Illuminate\Translation\PotentiallyTranslatedString $fail */
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $others = Arr::wrap($this->data[$this->list] ?? []);
        $same = 0;
        foreach ($others as $other) {
            $name = $this->field === '' ? $other : (is_array($other) ? $other[$this->field] ?? null : null);
            $same += is_string($name) && is_string($value) && mb_strtolower($name) === mb_strtolower($value) ? 1 : 0;
        }
        if ($same > 1) {
            $fail($this->words);
        }
    }
}
