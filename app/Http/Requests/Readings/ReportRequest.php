<?php

declare(strict_types=1);

namespace App\Http\Requests\Readings;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** A file of lab results. */
final class ReportRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['file' => ['required', 'file', 'max:1024'], 'read_on' => ['required', 'date_format:Y-m-d', 'after:2000-01-01', 'before_or_equal:+1 day']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.required' => 'Choose a CSV file of lab results.',
            'file.uploaded' => 'The file did not arrive whole; accepted are CSV files of up to 1 MB.',
            'file.max' => 'The file is larger than 1 MB; accepted are CSV files of up to 1 MB.',
            'read_on.before_or_equal' => 'The date lies in the future.',
        ];
    }

    public function text(): string
    {
        return $this->upload()->getContent();
    }

    public function fileName(): string
    {
        return mb_substr($this->upload()->getClientOriginalName(), 0, 120);
    }

    private function upload(): UploadedFile
    {
        $file = $this->file('file');

        return $file instanceof UploadedFile ? $file : throw new \LogicException('The request was not validated.');
    }
}
