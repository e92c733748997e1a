<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Samples\NotesOfComposite;
use App\Database\Values;
use App\Models\Plan;
use App\Models\PullNote;
use HonestCore\Custody\PullEntry;
use HonestCore\Sampling\PhMargin;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;

/** How far a composite has come, by all phones. */
final class ShowPull
{
    public function __invoke(Request $request, Plan $plan, NotesOfComposite $of): JsonResponse
    {
        $composite = max(1, $request->integer('composite', 1));
        $notes = $of->all($plan, $composite);
        $merge = $of->merge($notes);
        $planned = $plan->layout->coresOf($composite);
        $line = static function (PullEntry $entry) use ($notes): array {
            /** @var PullNote $note */
            $note = $notes[$entry->id];

            return [
                'uuid' => $note->uuid,
                'device' => $note->device,
                'sequence' => $note->sequence,
                'outcome' => $note->outcome->value,
                'reason' => $note->reason,
                'by' => $note->author->name,
                'at' => $note->noted_at->toIso8601ZuluString(),
            ];
        };

        return new JsonResponse([
            'cores' => array_values(array_map($line, $merge->standing)),
            'conflicts' => array_map(
                static fn (int $core): array => [
                    'sequence' => $core,
                    'entries' => array_map($line, $merge->conflicts[$core]),
                ],
                array_keys($merge->conflicts),
            ),
            'seen' => (object) $notes
                ->groupBy('device')
                ->map(
                    static fn (Collection $ofOne): int => Values::whole(
                        $ofOne->max(static fn (PullNote $note): int => $note->ordinal),
                    ),
                )
                ->all(),
            'margins' => $this->margins($plan, $planned),
            'fewest' => $planned < 2 ? $planned : PhMargin::fewestFor($planned),
            'samples' => $plan->samples->where('composite', $composite)->pluck('code')->values()->all(),
        ]);
    }

    /** @return list<array{cores: int, ph: float}> margin to expect on pH for each number of cores that may come up */
    private function margins(Plan $plan, int $planned): array
    {
        $sd = $plan->layout->margin->sd;

        return $planned < 2
            ? []
            : array_map(
                static fn (int $cores): array => ['cores' => $cores, 'ph' => PhMargin::of($cores, $sd)->usual],
                range(2, $planned),
            );
    }
}
