<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\GroundEvent;
use App\Models\User;

/** Writes an entry into the log of an area, or takes one back, with its link in the chain. */
final class NoteOnGround
{
    public function add(LogEntry $entry, User $author): GroundEvent
    {
        return AllOrNothing::of(static fn (): GroundEvent => $entry->write($author));
    }

    public function takeBack(GroundEvent $event, User $author): GroundEvent
    {
        return AllOrNothing::of(static function () use ($event, $author): GroundEvent {
            if ($event->kind === GroundEvent::TAKEN_BACK || $event->takenBack()->exists()) {
                throw Conflict::because('event_taken_back');
            }

            return LogEntry::takingBack($event->loadMissing('area'), '')->write($author);
        });
    }
}
