<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Actions\Areas\WriteArea;
use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Area;
use App\Models\Control;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Ground that is left untreated: drawn, which makes an area of its own to be pulled by itself; an area that is there; or only named,
 * with composites said to come from it. One at a time.
 */
final class LeaveControl
{
    public function __construct(private readonly WriteArea $write) {}

    /**
     * @param array<string, mixed>|null $boundary of one that is drawn
     */
    public function of(Area $area, User $author, string $name, string $since, ?array $boundary, ?int $ground, string $note): Control
    {
        $area->loadMissing('site');

        return AllOrNothing::of(function () use ($area, $author, $name, $since, $boundary, $ground, $note): Control {
            $standing = Control::query()
                ->where('area_id', $area->id)
                ->get()
                ->first(static fn (Control $one): bool => $one->ended_on === null || $one->ended_on->format('Y-m-d') >= $since);
            if ($standing !== null) {
                throw Conflict::because('two_controls', name: $standing->name, area: $area->name);
            }
            if ($ground === $area->id) {
                throw Conflict::because('control_of_itself');
            }
            $own = $boundary === null
                ? ($ground === null ? null : Area::query()->where('site_id', $area->site_id)->findOrFail($ground))
                : $this->write->new($area->site, [
                    'name' => $name,
                    'use' => $area->use,
                    'history' => "Left untreated as the control of {$area->name} since {$since}.",
                    'boundary' => $boundary,
                ]);
            if ($own !== null && Control::query()->where('area_id', $own->id)->whereNull('ended_on')->exists()) {
                throw Conflict::because('control_of_control', area: $own->name);
            }

            return Control::record([
                'area_id' => $area->id,
                'created_by' => $author->id,
                'control_area_id' => $own?->id,
                'name' => $name,
                'since' => Carbon::parse($since),
                'note' => $note,
            ])->refresh()->load('ground:id,name');
        });
    }

    public function end(Control $control, string $on): Control
    {
        if ($control->ended_on !== null) {
            throw Conflict::because('control_ended', name: $control->name);
        }
        if ($on < $control->since->format('Y-m-d')) {
            throw Conflict::because('control_ends_before', since: $control->since->format('j M Y'));
        }
        $control->update(['ended_on' => Carbon::parse($on)]);

        return $control->load('ground:id,name');
    }

    /** Says that composites of the area were pulled from the strip; written once. */
    public function samples(Control $control, User $author, int ...$ids): Control
    {
        return AllOrNothing::of(function () use ($control, $author, $ids): Control {
            if ($control->control_area_id !== null) {
                throw Conflict::because('control_has_ground', name: $control->name);
            }
            foreach (array_unique($ids) as $id) {
                $sample = Sample::query()->where('area_id', $control->area_id)->findOrFail($id);
                if (DB::table('control_samples')->where('sample_id', $id)->exists()) {
                    throw Conflict::because('sample_of_control', code: $sample->code);
                }
                DB::table('control_samples')->insert([
                    'team_id' => $control->team_id,
                    'control_id' => $control->id,
                    'sample_id' => $id,
                    'created_by' => $author->id,
                    'created_at' => now(),
                    'updated_at' => now(),
                ]);
            }

            return $control->load('ground:id,name');
        });
    }
}
