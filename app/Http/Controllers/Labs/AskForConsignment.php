<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\AskLab;
use App\Actions\Labs\ViewConsignment;
use App\Http\Resources\Labs\ConsignmentResource;
use App\Models\Consignment;
use App\Models\User;
use Illuminate\Http\Request;

final class AskForConsignment
{
    public function __invoke(Request $request, Consignment $consignment, AskLab $ask, ViewConsignment $view): ConsignmentResource
    {
        /** @var User $author */
        $author = $request->user();
        $ask($author, $consignment);

        return new ConsignmentResource($view($consignment, $author));
    }
}
