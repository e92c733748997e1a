<?php

declare(strict_types=1);

namespace App\Http\Requests\Records;

use App\Actions\Records\RecordFile;
use App\Models\TestMethod;
use HonestCore\Agronomy\Crop;
use HonestCore\Reports\RecordMapping;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** A spreadsheet of old pairs, which test and lab they are of, and how its columns are read, as JSON beside the file. */
final class RecordsRequest extends FormRequest
{
    private ?TestMethod $reference = null;

    private ?RecordMapping $mapping = null;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:8192'],
            'name' => ['sometimes', 'nullable', 'string', 'max:120'],
            'reference_id' => ['required', 'integer'],
            'decimal_comma' => ['sometimes', 'nullable', 'in:0,1'],
            'mapping' => ['sometimes', 'nullable', 'string', 'max:2000', 'json'],
            'use' => ['sometimes', 'string', Rule::in(array_keys(Crop::limits()))],
            'says' => ['sometimes', 'string', 'min:10', 'max:500'],
            'submission' => ['sometimes', 'uuid'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.required' => 'Choose the spreadsheet.',
            'file.max' => 'The file is larger than 8 MB; accepted are files of up to 8 MB.',
            'says.min' => 'Say in 10 letters or more where the records come from.',
            'use.in' => 'Choose what grew there, so that the limits are known.',
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
                $this->reference = TestMethod::ofTeam($this->integer('reference_id'));
                $test = $this->test();
                if ($this->reference?->workplace !== 'lab' || $this->reference->analyte !== $test->analyte) {
                    $validator->errors()->add('reference_id', 'That is no lab\'s method for what the test measures.');
                }
                $given = json_decode($this->string('mapping')->toString(), true, 4);
                if (is_array($given)) {
                    $this->mapping = RecordMapping::fromRow($given);
                }
            },
        ];
    }

    public function test(): TestMethod
    {
        $method = $this->route('method');

        return $method instanceof TestMethod ? $method : throw new \LogicException('The route has its method.');
    }

    public function reference(): TestMethod
    {
        return $this->reference ?? throw new \LogicException('The request was not validated.');
    }

    public function records(): RecordFile
    {
        $file = $this->file('file');
        $bytes = $file instanceof UploadedFile ? (string) file_get_contents($file->getRealPath()) : '';
        $comma = $this->input('decimal_comma');

        return RecordFile::of($bytes, $this->test(), $this->mapping, $comma === null ? null : $this->boolean('decimal_comma'));
    }

    public function fileName(): string
    {
        $file = $this->file('file');

        $own = $file instanceof UploadedFile ? $file->getClientOriginalName() : '';

        return mb_substr($this->string('name')->toString() ?: $own, 0, 120);
    }
}
