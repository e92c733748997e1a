<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Models\PracticeField;
use App\Models\Reading;
use App\Models\Run;
use App\Models\SignedProgram;
use App\Models\SignedVerdict;

/** Whether the mistake that a lesson is about was made, by what stands in the records of its ground. */
final class MistakeOfLesson
{
    private const FEW_CORES = 5;

    private const LIMY_PH = 6.8;

    public function __invoke(PracticeField $field, SeasonView $season): bool
    {
        return match ($field->lesson) {
            'two-histories' => $season->choices !== null && ! $season->choices->apart,
            'three-cores' => $season->choices !== null && $season->choices->cores <= self::FEW_CORES,
            'tap-water' => self::ran('water', 'tap'),
            'against-light' => self::ran('light', 'against'),
            'buffer-school' => Reading::query()->whereHas('method', static fn ($of) => $of->where('code', 'lab-mehlich'))->exists(),
            'average-of-seven' => self::limed($season),
            default => SignedVerdict::standing()->where('claim', 'sort')->where('verdict', 'stands')->exists() ||
                Reading::query()->whereNotNull('corrects_id')->exists(),
        };
    }

    private static function ran(string $condition, string $how): bool
    {
        return Run::query()->where('state', 'finished')->get()->contains(
            static fn (Run $run): bool => ($run->said[$condition] ?? '') === $how,
        );
    }

    /** Was lime signed for ground that has more than enough of it? */
    private static function limed(SeasonView $season): bool
    {
        $limy = array_column(array_filter(
            $season->areas,
            static fn (AreaOnGround $area): bool => ($area->true ?? 0.0) > self::LIMY_PH,
        ), 'id');
        foreach (SignedProgram::standing()->whereIn('area_id', $limy)->get() as $program) {
            foreach ($program->spreadParts() as $part) {
                foreach ($part->rates as $rate) {
                    if (str_contains($rate['product'], 'lime') && $rate['lb_per_acre'] > 0) {
                        return true;
                    }
                }
            }
        }

        return false;
    }
}
