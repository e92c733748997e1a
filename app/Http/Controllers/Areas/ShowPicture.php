<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Files\KeptFile;
use App\Models\Underlay;
use Illuminate\Http\Response;

final class ShowPicture
{
    public function __invoke(Underlay $underlay): Response
    {
        return KeptFile::show($underlay->file, $underlay->mime);
    }
}
