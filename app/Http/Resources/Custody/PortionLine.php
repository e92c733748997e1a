<?php

declare(strict_types=1);

namespace App\Http\Resources\Custody;

use App\Models\CustodyLine;
use App\Models\Portion;
use HonestCore\Custody\CustodyStep;
use HonestCore\Custody\SampleCode;
use HonestCore\Custody\StorageClock;

/** A portion as lists show it, and with its whole trail. */
final class PortionLine
{
    /** @return array<string, mixed> */
    public static function of(Portion $portion): array
    {
        return [
            'id' => $portion->id,
            'kind' => $portion->kind,
            'code' => $portion->code,
            'sample_id' => $portion->sample_id,
            'state' => $portion->state,
            'state_name' => CustodyStep::stateName($portion->state),
            'place' => $portion->place,
            'state_at' => $portion->state_at?->toIso8601ZuluString(),
            'deadline_at' => $portion->deadline_at?->toIso8601ZuluString(),
            'volume_ml' => $portion->volume_ml,
            'tests' => $portion->tests,
            'alias' => self::alias($portion->code),
        ];
    }

    /** The code of the composite that its label names: that of a hidden portion belongs to no composite. */
    private static function alias(string $code): string
    {
        return preg_match('/^([A-Z]{2,3})(\d\d)-(\d+)[A-Z]-.$/D', $code, $m) === 1
            ? SampleCode::ofSample($m[1], 2000 + (int) $m[2], (int) $m[3])->text
            : '';
    }

    /** @return array<string, mixed> with its times and its consignment, as the ledger draws them; needs lines and consignments */
    public static function onItsWay(Portion $portion): array
    {
        $way = [];
        foreach ($portion->lines->isEmpty() ? [] : $portion->trail()->lines as $line) {
            $way[$line->step] = gmdate('Y-m-d\TH:i:s\Z', $line->at);
        }
        $consignment = $portion->consigned->sortBy('id')->last()?->consignment;

        return [
            ...self::of($portion),
            'way' => (object) $way,
            'consignment' => $consignment === null
                    ? null
                    : [
                        'id' => $consignment->id,
                        'number' => $consignment->number,
                        'lab' => $consignment->lab->name,
                        'expected_on' => $consignment->expected_on?->format('Y-m-d'),
                        'days_late' => $consignment->daysLate(),
                    ],
        ];
    }

    /** @return array<string, mixed> */
    public static function whole(Portion $portion): array
    {
        $portion->loadMissing(['lines.author:id,name', 'lines.link:id,table,row,position']);
        $trail = $portion->trail();
        $clock = $portion->clock($trail);
        $standing = array_column($trail->lines, 'id');
        $drying = StorageClock::drying($trail);
        $back = $portion->writtenBackwards();
        $moment = static fn (?int $at): ?string => $at === null ? null : gmdate('Y-m-d\TH:i:s\Z', $at);

        return [
            ...self::of($portion),
            'next' => array_map(
                static fn (CustodyStep $step): array => ['code' => $step->code, 'name' => $step->name],
                $trail->next(),
            ),
            'clock' => [
                'used_share' => $clock->usedShare,
                'deadline_at' => $moment($clock->deadline),
                'rule' => $clock->rule,
                'over' => $clock->over,
                'soon' => $clock->soon,
            ],
            'drying' => $drying === null
                    ? null
                    : ['ready_at' => $moment($drying['ready']), 'over_at' => $moment($drying['over'])],
            'damage' => $trail->damage,
            'trail' => $portion->lines
                ->sortBy('id')
                ->map(
                    static fn (CustodyLine $line): array => [
                        'uuid' => $line->uuid,
                        'step' => $line->step,
                        'name' => $line->step === CustodyStep::WITHDRAWN ? 'withdrawn' : CustodyStep::named($line->step),
                        'at' => $line->at->toIso8601ZuluString(),
                        'written_at' => $line->created_at->toIso8601ZuluString(),
                        'place_in_record' => $line->link?->position,
                        'clock_set_back' => in_array($line->link?->position, $back, true),
                        'by' => $line->author->name,
                        'place' => $line->place,
                        'condition' => $line->condition,
                        'celsius' => $line->celsius,
                        'corrects' => $line->corrects,
                        'stands' => in_array($line->uuid, $standing, true),
                    ],
                )
                ->values()
                ->all(),
        ];
    }
}
