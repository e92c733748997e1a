<?php

declare(strict_types=1);

namespace App\Http\Requests\Reports;

use App\Actions\Reports\ReportFile;
use App\Actions\Reports\TakeMapped;
use App\Models\Lab;
use HonestCore\Reports\ReportMapping;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Validator;

/**
 * A lab's file with how its columns are to be read; the mapping comes as JSON beside the file.
 *
 * @phpstan-import-type Taking from TakeMapped
 */
final class FileRequest extends FormRequest
{
    /** Columns that a file may have, before each of them is looked at. */
    private const MOST_COLUMNS = 4000;

    private ?Lab $found = null;

    private ?ReportFile $read = null;

    private mixed $given = null;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:8192'],
            'lab_id' => ['required', 'integer'],
            'header_row' => ['sometimes', 'nullable', 'integer', 'between:1,10000'],
            'decimal_comma' => ['sometimes', 'nullable', 'in:0,1'],
            'mapping' => ['sometimes', 'nullable', 'string', 'max:1000000'],
            'read_on' => ['sometimes', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before_or_equal:+1 day'],
            'skip' => ['sometimes', 'nullable', 'string', 'max:20000', 'regex:/^[\d,\s]*$/'],
            'supersedes_id' => ['sometimes', 'nullable', 'integer'],
            'name' => ['sometimes', 'nullable', 'string', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.required' => 'Choose the file of the lab.',
            'file.uploaded' => 'The file did not arrive whole; accepted are files of up to 8 MB.',
            'file.max' => 'The file is larger than 8 MB; accepted are files of up to 8 MB.',
            'read_on.before_or_equal' => 'The date lies in the future.',
            'skip.regex' => 'Rows to leave out are numbers parted by commas.',
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
                $this->found = Lab::ofTeam($this->integer('lab_id'));
                if ($this->found === null) {
                    $validator->errors()->add('lab_id', 'This team has no such lab.');
                }
                $this->given = json_decode($this->string('mapping')->toString(), true, 8);
                if (
                    $this->filled('mapping') &&
                    ! (
                        is_array($this->given) &&
                        is_array($this->given['columns'] ?? null) &&
                        count($this->given['columns']) <= self::MOST_COLUMNS
                    )
                ) {
                    $validator
                        ->errors()
                        ->add(
                            'mapping',
                            'The mapping is not one: accepted is a role for each column, and for each column of '.
                                'results what it measures and in which unit; a bulk density from 0.05 to 2.65 g/cm³.',
                        );
                }
            },
        ];
    }

    public function reportFile(): ReportFile
    {
        return $this->read ??= ReportFile::of(
            $this->bytes(),
            $this->input('header_row') === null ? null : $this->integer('header_row'),
        );
    }

    public function lab(): Lab
    {
        return $this->found ?? throw new \LogicException('The request was not validated.');
    }

    /** The mapping that came with the file, if one of this file did. */
    public function mapping(): ?ReportMapping
    {
        return $this->given === null
            ? null
            : ReportMapping::fromArray($this->given, $this->reportFile()->table->columns);
    }

    /** The mapping of a preview: one of another header is passed over. */
    public function fittingMapping(): ?ReportMapping
    {
        $fits =
            is_array($this->given) &&
            is_array($this->given['columns'] ?? null) &&
            count($this->given['columns']) === count($this->reportFile()->table->columns);

        return $fits ? $this->mapping() : null;
    }

    public function wholeMapping(): ReportMapping
    {
        return $this->mapping() ?? $this->reportFile()->mapping($this->lab())[0];
    }

    public function decimalComma(): ?bool
    {
        return $this->input('decimal_comma') === null ? null : $this->boolean('decimal_comma');
    }

    public function sha256(): string
    {
        return hash('sha256', $this->bytes());
    }

    /** @return Taking */
    public function taking(): array
    {
        $name = $this->string('name')->toString();

        return [
            'file_name' => mb_substr($name !== '' ? $name : $this->upload()->getClientOriginalName(), 0, 120),
            'sha256' => $this->sha256(),
            'read_on' => $this->filled('read_on') ? $this->string('read_on')->toString() : now()->format('Y-m-d'),
            'decimal_comma' => $this->decimalComma(),
            'skip' => array_map(
                intval(...),
                array_values(
                    array_filter(
                        preg_split('/[\s,]+/', $this->string('skip')->toString()) ?: [],
                        static fn (string $row): bool => $row !== '',
                    ),
                ),
            ),
            'supersedes_id' => $this->input('supersedes_id') === null ? null : $this->integer('supersedes_id'),
        ];
    }

    private function bytes(): string
    {
        return (string) $this->upload()->getContent();
    }

    private function upload(): UploadedFile
    {
        $file = $this->file('file');

        return $file instanceof UploadedFile ? $file : throw new \LogicException('The request was not validated.');
    }
}
