<?php

declare(strict_types=1);

namespace App\Http\Requests\Readings;

use App\Models\TestMethod;
use HonestCore\Bench\PlausibleReading;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/** The results of one composite as a lab reported them; numbers come as they were typed. */
final class ResultsRequest extends FormRequest
{
    /** @var list<array{TestMethod, string}> */
    private array $results = [];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'read_on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before_or_equal:+1 day'],
            'results' => ['required', 'array', 'min:1', 'max:20'],
            'results.*.method_id' => ['required', 'integer', 'distinct'],
            'results.*.reading' => ['required', 'string', 'max:40'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'results.required' => 'Type at least one result.',
            'read_on.before_or_equal' => 'The date lies in the future.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }
                /** @var list<array{method_id: int, reading: string}> $given */
                $given = $this->array('results');
                $methods = TestMethod::ofLabs(array_column($given, 'method_id'));
                foreach ($given as $i => ['method_id' => $id, 'reading' => $typed]) {
                    $method = $methods[$id] ?? null;
                    $question =
                        $method === null
                            ? 'This team has no such lab method.'
                            : PlausibleReading::question($method->analyte, $typed);
                    if ($question !== null) {
                        $validator->errors()->add("results.{$i}.reading", $question);
                    } elseif ($method !== null) {
                        $this->results[] = [$method, trim($typed)];
                    }
                }
            },
        ];
    }

    /** @return list<array{TestMethod, string}> */
    public function results(): array
    {
        return $this->results;
    }
}
