<?php

declare(strict_types=1);

namespace App\Actions\Areas;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Area;
use App\Models\Control;
use App\Models\GroundEvent;
use App\Models\PhAnswer;
use App\Models\Plan;
use App\Models\ProgramDraft;
use App\Models\RecordChange;
use App\Models\Sample;
use App\Models\SignedProgram;
use App\Models\Transect;
use HonestCore\Geometry\GeoJson;
use HonestCore\Sampling\AreaFacts;
use HonestCore\Sampling\SplitAdvice;

/**
 * Makes one area of two, so that they share a composite. What only one of them got becomes an event of a part; the
 * other area goes, which it may not once it has plans or composites of its own.
 */
final class JoinAreas
{
    public function __construct(private readonly WriteArea $write) {}

    public function __invoke(Area $area, Area $other): Area
    {
        if ($area->is($other) || $area->site_id !== $other->site_id) {
            throw Conflict::because('areas_apart');
        }
        if (self::hasWork($other)) {
            throw Conflict::because('area_has_work', area: $other->name);
        }

        return AllOrNothing::of(function () use ($area, $other): Area {
            $boundary = [
                'type' => 'MultiPolygon',
                'coordinates' => [...$this->polygons($area), ...$this->polygons($other)],
            ];
            [$name, $history, $facts] = [$other->name, $other->history, $this->facts($area, $other)];

            return RecordChange::partOf(function () use ($area, $other, $boundary, $name, $history, $facts): Area {
                $other->delete();

                return $this->write->write($area, [
                    'name' => $area->name,
                    'use' => $area->use,
                    'boundary' => $boundary,
                    'facts' => $facts,
                    'history' => trim($area->history.($history === '' ? '' : "\n{$name}: {$history}")),
                ]);
            });
        });
    }

    /** Is there anything of it that would be lost: composites, plans, transects, programs, its log, its control? */
    private static function hasWork(Area $area): bool
    {
        $of = static fn (string $model): bool => $model::query()->where('area_id', $area->id)->exists();

        return $of(Sample::class) || $of(Plan::class) || $of(Transect::class) || $of(GroundEvent::class) || $of(ProgramDraft::class) ||
            $of(SignedProgram::class) || $of(PhAnswer::class) || $of(Control::class) ||
            Control::query()->where('control_area_id', $area->id)->exists();
    }

    /** @return array<string, mixed> */
    private function facts(Area $area, Area $otherArea): array
    {
        [$one, $other] = [$area->knownFacts(), $otherArea->knownFacts()];
        $key = static fn (array $event): string => "{$event['kind']} {$event['on']}";
        [$keys, $otherKeys] = [array_map($key, $one->events), array_map($key, $other->events)];
        $events = [];
        foreach ([[$one->events, $otherKeys], [$other->events, $keys]] as [$own, $theirs]) {
            foreach ($own as $event) {
                $events[$key($event)] ??= ['part' => $event['part'] || ! in_array($key($event), $theirs, true)] + $event;
            }
        }
        $both = $one->toArray();
        foreach (['surfaces', 'slopes', 'textures'] as $list) {
            $both[$list] = array_values(array_unique([...$one->{$list}, ...$other->{$list}]));
        }

        return AreaFacts::of([
            ...$both,
            'irrigated' => $one->irrigated || $other->irrigated,
            'old_paint' => $one->oldPaint || $other->oldPaint,
            'industry' => $one->industry || $other->industry,
            'events' => array_values($events),
            'joined' => [
                ...$one->joined,
                ...$other->joined,
                ...SplitAdvice::ofUse($one, $area->use, $other, $otherArea->use),
            ],
        ])->toArray();
    }

    /** @return list<list<list<array{float, float}>>> closed rings */
    private function polygons(Area $area): array
    {
        return array_map(
            static fn (array $polygon): array => array_map(
                static fn (array $ring): array => [...$ring, $ring[0]],
                $polygon['rings'],
            ),
            GeoJson::polygons(json_encode($area->boundary, JSON_THROW_ON_ERROR)),
        );
    }
}
