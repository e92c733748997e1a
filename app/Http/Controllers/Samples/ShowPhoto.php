<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Files\KeptFile;
use App\Models\Photo;
use Illuminate\Http\Response;

final class ShowPhoto
{
    public function __invoke(Photo $photo): Response
    {
        return KeptFile::show($photo->file, $photo->type);
    }
}
