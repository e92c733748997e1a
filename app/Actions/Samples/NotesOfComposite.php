<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Exceptions\Conflict;
use App\Models\Plan;
use App\Models\PullNote;
use HonestCore\Custody\CoreMark;
use HonestCore\Custody\PullEntry;
use HonestCore\Custody\PullMerge;
use Illuminate\Support\Collection;

/** What all phones together noted of one composite of a plan. */
final class NotesOfComposite
{
    /** @return Collection<string, PullNote> by id of the entry */
    public function all(Plan $plan, int $composite): Collection
    {
        return PullNote::query()
            ->where(['plan_id' => $plan->id, 'composite' => $composite, 'late' => false])
            ->with('author:id,name')
            ->orderBy('id')
            ->get()
            ->toBase()
            ->keyBy('uuid');
    }

    /** @param Collection<string, PullNote> $notes */
    public function merge(Collection $notes): PullMerge
    {
        return PullMerge::of(array_values($notes->map(static fn (PullNote $note): PullEntry => $note->entry())->all()));
    }

    /**
     * The cores as they stand, for the composite to be made of.
     *
     * @return list<CoreMark> empty when no phone noted any
     *
     * @throws Conflict when phones differ
     */
    public function settled(Plan $plan, int $composite): array
    {
        $notes = $this->all($plan, $composite);
        $merge = $this->merge($notes);
        if ($merge->conflicts !== []) {
            $cores = implode(', ', array_keys($merge->conflicts));
            throw Conflict::because('phones_differ', cores: $cores);
        }

        return array_values(
            array_map(
                static fn (PullEntry $entry): CoreMark => new CoreMark($entry->core, $entry->outcome, $notes[$entry->id]->reason ?? ''),
                $merge->standing,
            ),
        );
    }
}
