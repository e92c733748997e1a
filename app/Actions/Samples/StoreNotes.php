<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Database\AllOrNothing;
use App\Database\Values;
use App\Models\Plan;
use App\Models\PullNote;
use App\Models\Sample;
use App\Models\User;
use HonestCore\Custody\PhoneClock;
use HonestCore\Custody\PhoneEntry;
use Illuminate\Support\Carbon;

/**
 * Takes a phone's entries, each exactly once: what came before is known by its id, what cannot be taken is named with
 * its reason, and neither holds up the others. All of a batch is stored in one transaction, or none of it.
 */
final class StoreNotes
{
    private const AT_ONCE = 100;

    private const FORMAT = 'Y-m-d H:i:s';

    /**
     * @param list<PhoneEntry> $entries
     * @return array{stored: list<string>, known: list<string>, late: list<string>, refused: list<array{
     *     uuid: string, message: string}>, clock_off_s: int}
     */
    public function __invoke(User $author, string $device, Carbon $phoneNow, array $entries): array
    {
        $clock = PhoneClock::against($phoneNow->getTimestamp(), now()->getTimestamp());

        return AllOrNothing::of(function () use ($author, $device, $entries, $clock): array {
            $known = array_fill_keys(
                Values::texts(PullNote::query()->whereIn('uuid', array_column($entries, 'uuid'))->pluck('uuid')),
                true,
            );
            $cores = Plan::query()
                ->whereIn('id', array_unique(array_column($entries, 'planId')))
                ->get()
                ->mapWithKeys(
                    static fn (Plan $plan): array => [
                        $plan->id => $plan->layout->coresByComposite(),
                    ],
                )
                ->all();
            $made = Sample::query()
                ->whereIn('plan_id', array_keys($cores))
                ->get(['plan_id', 'composite'])
                ->map(static fn (Sample $sample): string => "{$sample->plan_id} {$sample->composite}")
                ->flip()
                ->all();
            $rows = [];
            $answer = ['stored' => [], 'known' => [], 'late' => [], 'refused' => [], 'clock_off_s' => $clock->offS];
            foreach ($entries as $entry) {
                $refusal = $entry->refusal($cores[$entry->planId] ?? null);
                if (isset($known[$entry->uuid])) {
                    $answer['known'][] = $entry->uuid;
                } elseif ($refusal !== null) {
                    $answer['refused'][] = ['uuid' => $entry->uuid, 'message' => $refusal];
                } else {
                    $late = isset($made["{$entry->planId} {$entry->composite}"]);
                    $rows[] = $this->row($author, $device, $entry, $clock, $late);
                    $known[$entry->uuid] = true;
                    $answer[$late ? 'late' : 'stored'][] = $entry->uuid;
                }
            }
            foreach (array_chunk($rows, self::AT_ONCE) as $some) {
                PullNote::query()->insert($some);
            }

            return $answer;
        });
    }

    /**
     * @return array<string, mixed>
     */
    private function row(User $author, string $device, PhoneEntry $entry, PhoneClock $clock, bool $late): array
    {
        $said = Carbon::parse($entry->at)->utc();

        return [
            'team_id' => $author->team_id,
            'plan_id' => $entry->planId,
            'created_by' => $author->id,
            'composite' => $entry->composite,
            'uuid' => $entry->uuid,
            'device' => $device,
            'ordinal' => $entry->ordinal,
            'sequence' => $entry->sequence,
            'outcome' => $entry->outcome,
            'reason' => $entry->reason ?? '',
            'said_at' => $said->format(self::FORMAT),
            'noted_at' => gmdate(self::FORMAT, $clock->mend($said->getTimestamp())),
            'longitude' => $entry->longitude,
            'latitude' => $entry->latitude,
            'accuracy_m' => $entry->accuracyM,
            'settles' => json_encode($entry->settles, JSON_THROW_ON_ERROR),
            'late' => $late,
            'created_at' => now()->format(self::FORMAT),
            'updated_at' => now()->format(self::FORMAT),
        ];
    }
}
