<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use HonestCore\Bench\MethodDefinition;
use HonestCore\Error\CoreError;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/** A definition of a bench method, new or revised; what it may say is a rule of the core. */
final class MethodRequest extends FormRequest
{
    private ?MethodDefinition $definition = null;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'definition' => ['required', 'array'],
            'why' => ['required', 'string', 'min:3', 'max:1000'],
            'follows' => [$this->route('method') === null ? 'prohibited' : 'required', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['why.required' => 'Say why: whoever reads the method later will ask.'];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }
                try {
                    /** @var array<string, mixed> $given */
                    $given = $this->array('definition');
                    $this->definition = MethodDefinition::of($given);
                } catch (CoreError $error) {
                    $validator->errors()->add('definition', $error->forPeople());
                }
            },
        ];
    }

    public function definition(): MethodDefinition
    {
        return $this->definition ?? throw new \LogicException('The request was not validated.');
    }

    public function why(): string
    {
        return $this->string('why')->trim()->toString();
    }
}
