<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Samples\NotesOfComposite;
use App\Models\Plan;
use App\Models\PullNote;
use HonestCore\Custody\PullEntry;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** How far a composite has come, by all phones. */
final class ShowPull
{
    public function __invoke(Request $request, Plan $plan, NotesOfComposite $of): JsonResponse
    {
        $composite = max(1, $request->integer('composite', 1));
        $notes = $of->all($plan, $composite);
        $merge = $of->merge($notes);
        $line = static function (PullEntry $entry) use ($notes): array {
            /** @var PullNote $note */
            $note = $notes[$entry->id];

            return [
                'uuid' => $note->uuid, 'device' => $note->device, 'sequence' => $note->sequence, 'outcome' => $note->outcome, 'reason' => $note->reason,
                'by' => $note->author->name, 'at' => $note->noted_at->toIso8601ZuluString(),
            ];
        };

        return new JsonResponse([
            'cores' => array_values(array_map($line, $merge->standing)),
            'conflicts' => array_map(static fn (int $core): array => ['sequence' => $core, 'entries' => array_map($line, $merge->conflicts[$core])], array_keys($merge->conflicts)),
            'samples' => $plan->samples->where('composite', $composite)->pluck('code')->values()->all(),
        ]);
    }
}
