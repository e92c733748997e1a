<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Models\Plan;
use App\Models\PracticeField;
use App\Models\PracticeSoil;
use App\Models\Sample;
use HonestCore\Custody\CoreMark;
use HonestCore\Practice\Chance;
use HonestCore\Practice\PulledSoil;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Sampling\PlannedCore;

/** Keeps what truly came up where composites are pulled on a practice ground; on ground in earnest it does nothing. */
final class KeepSoil
{
    /** A lesson is alike whenever it is begun. */
    private const DAY_OF_LESSONS = 270;

    /**
     * @param non-empty-list<Sample> $samples of one place, layer by layer
     * @param list<CoreMark> $cores
     */
    public function __invoke(Plan $plan, array $samples, array $cores): void
    {
        $field = PracticeField::here();
        if ($field === null) {
            return;
        }
        $places = $this->places($field, $plan, $samples[0], $cores);
        $day = $field->lesson === null ? (int) $samples[0]->pulled_on->format('z') : self::DAY_OF_LESSONS;
        $spread = $this->spread($plan, $samples[0]);
        foreach ($samples as $sample) {
            $number = PracticeSoil::query()->count();
            $soil = PulledSoil::from(
                $field->ground(),
                $places,
                DepthLayer::parse($sample->depth),
                (float) $day,
                Chance::named($field->seed, "composite {$number}"),
            )->after($field->ground(), $spread);
            PracticeSoil::query()->create([
                'sample_id' => $sample->id,
                'holds' => $soil->holds,
                'meant' => $soil->meant,
                'places' => $places,
                'short' => $soil->short,
                'day' => $day,
            ]);
        }
    }

    /** @return array<string, float> pounds an acre, by what it brings; on practice ground it has acted by the next pull */
    private function spread(Plan $plan, Sample $sample): array
    {
        $brought = [];
        foreach ($plan->loadMissing('area.groundEvents')->area->groundEvents as $event) {
            foreach ($event->on->lte($sample->pulled_on) ? $event->brings ?? [] : [] as $what => $lbPerAcre) {
                $brought[$what] = ($brought[$what] ?? 0.0) + $lbPerAcre;
            }
        }

        return $brought;
    }

    /**
     * @param list<CoreMark> $cores
     * @return non-empty-list<array{float, float}>
     */
    private function places(PracticeField $field, Plan $plan, Sample $sample, array $cores): array
    {
        $up = array_map(
            static fn (CoreMark $core): int => $core->sequence,
            array_filter($cores, static fn (CoreMark $core): bool => $core->outcome->isUp()),
        );
        $planned = array_values(array_filter(
            $plan->layout->cores,
            static fn (PlannedCore $core): bool => $core->composite === $sample->composite &&
                ($cores === [] ? $core->sequence <= $sample->cores_pulled : in_array($core->sequence, $up, true)),
        ));
        $places = array_map(
            static fn (PlannedCore $core): array => $field->metres([$core->longitude, $core->latitude]),
            $planned,
        );

        return $places === [] ? throw new \LogicException('A composite has a core.') : $places;
    }
}
