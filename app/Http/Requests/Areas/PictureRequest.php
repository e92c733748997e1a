<?php

declare(strict_types=1);

namespace App\Http\Requests\Areas;

use App\Http\Requests\SoundPicture;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** A picture to lay under the map. */
final class PictureRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'picture' => [
                'required',
                'file',
                'mimetypes:image/png,image/jpeg',
                'max:8192',
                'dimensions:min_width=50,min_height=50,max_width=12000,max_height=12000',
                new SoundPicture(),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'picture.required' => 'Choose a picture.',
            'picture.mimetypes' => 'The file is no picture; accepted are PNG and JPEG.',
            'picture.uploaded' => 'The picture did not arrive whole; accepted are PNG and JPEG of up to 8 MB.',
            'picture.max' => 'The picture is larger than 8 MB; accepted are PNG and JPEG of up to 8 MB.',
            'picture.dimensions' => 'The picture cannot be read, is too small or too large; accepted are PNG and '.
                'JPEG of 50 to 12,000 pixels a side.',
        ];
    }

    public function picture(): UploadedFile
    {
        $file = $this->file('picture');

        return $file instanceof UploadedFile ? $file : throw new \LogicException('The request was not validated.');
    }
}
