<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Files\KeptFile;
use App\Models\BagPhoto;
use Illuminate\Http\Response;

final class ShowBagPhoto
{
    public function __invoke(BagPhoto $photo): Response
    {
        return KeptFile::show($photo->file, $photo->type);
    }
}
