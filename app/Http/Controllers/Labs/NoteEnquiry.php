<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\ViewConsignment;
use App\Http\Resources\Labs\ConsignmentResource;
use App\Models\Consignment;
use App\Models\User;
use Illuminate\Http\Request;

/** The lab was asked today. */
final class NoteEnquiry
{
    public function __invoke(Request $request, Consignment $consignment, ViewConsignment $view): ConsignmentResource
    {
        /** @var User $reader */
        $reader = $request->user();
        $consignment->update(['asked_on' => now()->toDateString()]);

        return new ConsignmentResource($view($consignment, $reader));
    }
}
