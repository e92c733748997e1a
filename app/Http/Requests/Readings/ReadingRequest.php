<?php

declare(strict_types=1);

namespace App\Http\Requests\Readings;

use App\Models\TestMethod;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\PlausibleReading;
use HonestCore\Bench\ProtocolBreak;
use HonestCore\Bench\ScaleKind;
use HonestCore\Error\CoreError;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** One reading as it was made or reported; numbers come as they were typed. */
final class ReadingRequest extends FormRequest
{
    private ?TestMethod $found = null;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'method_id' => ['required', 'integer'],
            'reading' => ['required', 'string', 'max:40'],
            'read_on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before_or_equal:+1 day'],
            'reader' => ['required', 'string', 'min:2', 'max:80'],
            'flags' => ['present', 'array'],
            'flags.*' => ['string', 'distinct', Rule::in(ProtocolBreak::codes())],
            'note' => ['present', 'nullable', 'string', 'max:2000'],
            'corrects_id' => ['sometimes', 'nullable', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'reading.required' => 'Nothing was read: choose a band or type the number.',
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
                $this->found = TestMethod::ofTeam($this->integer('method_id'));
                $problem = match (true) {
                    $this->found === null => ['method_id' => 'This team has no such method.'],
                    $this->found->current === null => [
                        'reading' => PlausibleReading::question(
                            $this->found->analyte,
                            $this->string('reading')->toString(),
                        ),
                    ],
                    default => ['reading' => $this->offTheScale($this->found->current->parsed())],
                };
                foreach (array_filter($problem) as $field => $message) {
                    $validator->errors()->add($field, $message);
                }
            },
        ];
    }

    private function offTheScale(MethodDefinition $definition): ?string
    {
        if ($definition->scale->kind === ScaleKind::Heights) {
            return "{$definition->name} reads heights at their times; lead it as a run.";
        }
        try {
            $definition->scale->read($this->string('reading')->toString());

            return $definition->scale->kind === ScaleKind::Continuous
                ? PlausibleReading::question($definition->analyte, $this->string('reading')->toString())
                : null;
        } catch (CoreError $error) {
            return $error->forPeople();
        }
    }

    public function testMethod(): TestMethod
    {
        return $this->found ?? throw new \LogicException('The request was not validated.');
    }

    /**
     * @return array{typed: string, read_on: string, reader: string, flags: list<string>, note: string,
     * corrects_id: int|null}
     */
    public function fields(): array
    {
        /** @var list<string> $flags */
        $flags = $this->array('flags');

        return [
            'typed' => $this->string('reading')->trim()->toString(),
            'read_on' => $this->string('read_on')->toString(),
            'reader' => $this->string('reader')->trim()->toString(),
            'flags' => $flags,
            'note' => $this->string('note')->toString(),
            'corrects_id' => $this->input('corrects_id') === null ? null : $this->integer('corrects_id'),
        ];
    }
}
