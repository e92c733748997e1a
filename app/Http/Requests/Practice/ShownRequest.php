<?php

declare(strict_types=1);

namespace App\Http\Requests\Practice;

use App\Models\Run;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Bench\ProtocolBreak;
use Illuminate\Foundation\Http\FormRequest;

/** Which composite is looked at, with which test, by whom, and how. */
final class ShownRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'sample_id' => ['required', 'integer'],
            'method_id' => ['required', 'integer'],
            'reader' => ['required', 'string', 'max:80'],
            'run_id' => ['sometimes', 'nullable', 'integer'],
            'tube' => ['required_with:run_id', 'nullable', 'integer', 'between:1,999'],
            'flags' => ['sometimes', 'nullable', 'string', 'max:400'],
        ];
    }

    public function sample(): Sample
    {
        return Sample::ofTeam($this->integer('sample_id')) ?? abort(404);
    }

    public function testMethod(): TestMethod
    {
        return TestMethod::named($this->integer('method_id'));
    }

    public function run(): ?Run
    {
        return $this->input('run_id') === null ? null : Run::named($this->integer('run_id'));
    }

    public function tube(): ?int
    {
        return $this->input('tube') === null ? null : $this->integer('tube');
    }

    /** @return list<string> codes of protocol breaks, divided by commas */
    public function flags(): array
    {
        return array_values(array_intersect(explode(',', $this->string('flags')->toString()), ProtocolBreak::codes()));
    }
}
