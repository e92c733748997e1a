<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Http\Resources\Labs\ConsignmentResource;
use App\Models\Consignment;

final class ShowConsignment
{
    public function __invoke(Consignment $consignment): ConsignmentResource
    {
        return new ConsignmentResource($consignment->load(ConsignmentResource::NEEDS));
    }
}
