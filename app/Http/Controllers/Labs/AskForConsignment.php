<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\AskService;
use App\Http\Resources\Labs\ConsignmentResource;
use App\Models\Consignment;
use App\Models\User;
use Illuminate\Http\Request;

final class AskForConsignment
{
    public function __invoke(Request $request, Consignment $consignment, AskService $ask): ConsignmentResource
    {
        /** @var User $author */
        $author = $request->user();
        $ask($author, $consignment->load('lab'));

        return new ConsignmentResource($consignment->fresh(ConsignmentResource::NEEDS) ?? $consignment);
    }
}
