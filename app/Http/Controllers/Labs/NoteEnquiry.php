<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Http\Resources\Labs\ConsignmentResource;
use App\Models\Consignment;

/** The lab was asked today. */
final class NoteEnquiry
{
    public function __invoke(Consignment $consignment): ConsignmentResource
    {
        $consignment->update(['asked_on' => now()->toDateString()]);

        return new ConsignmentResource($consignment->load(ConsignmentResource::NEEDS));
    }
}
