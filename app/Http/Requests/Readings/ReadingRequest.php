<?php

declare(strict_types=1);

namespace App\Http\Requests\Readings;

use App\Models\TestMethod;
use HonestCore\Bench\PlausibleReading;
use HonestCore\Bench\ProtocolBreak;
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
            'read_on' => ['required', 'date_format:Y-m-d', 'after:2000-01-01', 'before_or_equal:+1 day'],
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
        return ['reading.required' => 'Nothing was read: choose a band or type the number.', 'read_on.before_or_equal' => 'The date lies in the future.'];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [function (Validator $validator): void {
            if ($validator->errors()->isNotEmpty()) {
                return;
            }
            $this->found = TestMethod::query()->find($this->integer('method_id'));
            $typed = $this->string('reading')->toString();
            $scale = $this->found?->scale();
            if ($this->found === null) {
                $validator->errors()->add('method_id', 'This team has no such method.');
            } elseif ($scale === null) {
                $question = PlausibleReading::question($this->found->analyte, $typed);
                if ($question !== null) {
                    $validator->errors()->add('reading', $question);
                }
            } elseif ($scale->named($typed) === null) {
                $names = implode(', ', array_column($this->found->bands ?? [], 'name'));
                $validator->errors()->add('reading', "\"{$typed}\" is no band of the {$this->found->name}; accepted are {$names}.");
            }
        }];
    }

    public function testMethod(): TestMethod
    {
        return $this->found ?? throw new \LogicException('The request was not validated.');
    }

    /** @return array{typed: string, read_on: string, reader: string, flags: list<string>, note: string, corrects_id: int|null} */
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
