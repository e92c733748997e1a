<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\TransectView;
use App\Actions\FollowUp\LogEntry;
use App\Actions\FollowUp\NoteOnGround;
use App\Http\Resources\Bench\TransectsResource;
use App\Models\Area;
use App\Models\User;
use HonestCore\FollowUp\GroundAct;
use HonestCore\Quantity\AreaRate;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Notes rain, something that was spread, or a problem, in the log of an area. */
final class AddGroundEvent
{
    private const RAIN = ['mm', 'in'];

    public function __invoke(Request $request, Area $area, NoteOnGround $note): JsonResponse
    {
        $units = match ($request->input('kind')) {
            GroundAct::RAIN => self::RAIN,
            GroundAct::SPREAD => array_keys(AreaRate::UNITS),
            default => [''],
        };
        $request->validate(
            [
                'kind' => ['required', 'in:application,rain,problem'],
                'on' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after:1950-01-01', 'before_or_equal:+1 day'],
                'what' => ['present', 'nullable', 'string', 'max:120', 'required_unless:kind,rain'],
                'amount' => ['required_unless:kind,problem', 'numeric', 'between:0,200000'],
                'unit' => ['required_unless:kind,problem', Rule::in($units)],
            ],
            [
                'on.date_format' => 'This is no day; accepted is one such as 2026-11-29.',
                'on.before_or_equal' => 'The date lies in the future.',
                'what.required_unless' => 'Say what was spread and how, or what went wrong.',
                'amount.required_unless' => 'An application needs its rate, and rain its depth, with the unit; 0 where there was none.',
                'unit.in' => 'Accepted are mm and in for rain, and '.implode(', ', array_keys(AreaRate::UNITS)).' for what was spread.',
            ],
        );
        /** @var User $author */
        $author = $request->user();
        [$on, $what] = [$request->string('on')->toString(), $request->string('what')->toString()];
        [$amount, $unit] = [$request->float('amount'), $request->string('unit')->toString()];
        $note->add(
            match ($request->input('kind')) {
                GroundAct::RAIN => LogEntry::rain($area, $on, $amount, $unit),
                GroundAct::PROBLEM => LogEntry::problem($area, $on, $what),
                default => LogEntry::spread($area, $on, $what, $amount, $unit, by: $author->name),
            },
            $author,
        );

        return (new TransectsResource(TransectView::of($area)))->response()->setStatusCode(201);
    }
}
