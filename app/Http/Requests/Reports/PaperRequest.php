<?php

declare(strict_types=1);

namespace App\Http\Requests\Reports;

use App\Http\Requests\SoundPicture;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** The lab's own paper: a PDF or a picture of it. */
final class PaperRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['paper' => ['required', 'file', 'max:8192', 'mimetypes:application/pdf,image/png,image/jpeg', new SoundPicture()]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $accepted = 'accepted are PDF, PNG and JPEG of up to 8 MB.';

        return [
            'paper.required' => 'Choose the paper of the lab.',
            'paper.mimetypes' => "The file is neither a PDF nor a picture; {$accepted}",
            'paper.uploaded' => "The paper did not arrive whole; {$accepted}",
            'paper.max' => "The paper is larger than 8 MB; {$accepted}",
        ];
    }

    public function paper(): UploadedFile
    {
        $file = $this->file('paper');

        return $file instanceof UploadedFile ? $file : throw new \LogicException('The request was not validated.');
    }
}
