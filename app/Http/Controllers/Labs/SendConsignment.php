<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\Send;
use App\Actions\Labs\ViewConsignment;
use App\Http\Resources\Labs\ConsignmentResource;
use App\Models\Consignment;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

final class SendConsignment
{
    public function __invoke(Request $request, Consignment $consignment, Send $send, ViewConsignment $view): ConsignmentResource
    {
        /** @var User $author */
        $author = $request->user();
        $request->validate(['carrier' => ['present', 'nullable', 'string', 'max:80'], 'at' => ['required', 'bail', 'string', 'date']]);
        $send(
            $author,
            $consignment,
            $request->string('carrier')->trim()->toString(),
            Carbon::parse($request->string('at')->toString()),
        );

        return new ConsignmentResource($view($consignment, $author));
    }
}
