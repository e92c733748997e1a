<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\Run;
use App\Models\VisionRecord;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\ObservedBreak;
use HonestCore\Probe\Calibration;
use HonestCore\Table\RuleTable;
use Illuminate\Support\Carbon;

/** What breaks the protocol of a whole run, or of one reader in it. */
final class RunBreaks
{
    /** @return list<ObservedBreak> */
    public function ofRun(Run $run, MethodDefinition $definition): array
    {
        $breaks = $definition->breaksOf($run->said, $run->celsius);
        foreach ($run->lots as $lot) {
            if ($lot['expired']) {
                $breaks[] = new ObservedBreak('lot-out-of-date', "Lot {$lot['lot']} of {$lot['reagent']} expired on {$lot['expires_on']}.");
            }
        }
        if ($definition->probe === 'ph') {
            $breaks = [...$breaks, ...$this->ofPen($run)];
        }
        if ($definition->colour) {
            foreach ($run->readers as $reader) {
                $breaks = [...$breaks, ...$this->ofReader($reader, Carbon::createFromTimestampMsUTC($run->started_ms))];
            }
        }

        return $breaks;
    }

    /** @return list<ObservedBreak> */
    public function ofReader(string $reader, Carbon $day): array
    {
        $checked = self::visionOf($reader, $day);

        return $checked?->passed === true
            ? []
            : [
                new ObservedBreak('colour-vision', $checked === null
                            ? "{$reader} has no colour-vision check on record."
                            : "The colour-vision check of {$reader} on {$checked->taken_on->format(
                                'Y-m-d',
                            )} showed that cards are not read surely."),
            ];
    }

    /** The last check of a reader that still holds on a day. */
    public static function visionOf(string $reader, Carbon $day): ?VisionRecord
    {
        /** @var int $months */
        $months = RuleTable::named('vision-plates')['valid_months'];

        return VisionRecord::query()
            ->where('reader', $reader)
            ->where('taken_on', '<=', $day->copy()->addDay())
            ->where('taken_on', '>=', $day->copy()->subMonths($months))
            ->orderByDesc('taken_on')
            ->orderByDesc('id')
            ->first();
    }

    /** @return list<ObservedBreak> */
    private function ofPen(Run $run): array
    {
        $calibration = $run->calibration;
        $day = Carbon::createFromTimestampMsUTC($run->started_ms);
        if ($calibration === null || abs($calibration->at->diffInHours($day)) > 24) {
            return [
                new ObservedBreak('no-calibration', $calibration === null
                            ? 'The pen was not calibrated for this run.'
                            : "The calibration of {$calibration->at->format('Y-m-d')} is not of this day."),
            ];
        }
        $breaks = array_map(
            static fn (string $reason): ObservedBreak => new ObservedBreak('pen-slope', $reason),
            $calibration->reasons,
        );
        if ($calibration->drift !== null && Calibration::driftsTooFar($calibration->drift)) {
            $breaks[] = new ObservedBreak(
                'pen-drift',
                'After the run the pen had drifted by '.number_format($calibration->drift, 2).' pH.',
            );
        }

        return $breaks;
    }
}
