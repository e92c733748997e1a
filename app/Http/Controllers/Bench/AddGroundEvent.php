<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\TransectView;
use App\Http\Resources\Bench\TransectsResource;
use App\Models\Area;
use App\Models\GroundEvent;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class AddGroundEvent
{
    public function __invoke(Request $request, Area $area): JsonResponse
    {
        $request->validate(
            [
                'kind' => ['required', 'in:application,rain'],
                'on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before_or_equal:+1 day'],
                'what' => ['present', 'nullable', 'string', 'max:120', 'required_if:kind,application'],
                'amount' => ['required', 'numeric', 'between:0,100000'],
                'unit' => ['required', 'in:mm,in,kg/ha,lb/acre'],
            ],
            [
                'on.before_or_equal' => 'The date lies in the future.',
                'what.required_if' => 'Say what was spread and how.',
                'unit.in' => 'Accepted are mm and in for rain, kg/ha and lb/acre for what was spread.',
            ],
        );
        /** @var User $author */
        $author = $request->user();
        GroundEvent::record([
            ...$request->only(['kind', 'on', 'amount', 'unit']),
            'what' => $request->string('what')->toString(),
            'area_id' => $area->id,
            'created_by' => $author->id,
        ]);

        return (new TransectsResource(TransectView::of($area)))->response()->setStatusCode(201);
    }
}
