<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Actions\Prescribe\Shelf;
use App\Database\AllOrNothing;
use App\Models\Area;
use App\Models\GroundEvent;
use App\Models\SignedProgram;
use App\Models\User;
use HonestCore\FollowUp\SpreadNote;

/**
 * Takes entries of the spreader's log, each exactly once: what came before is known by its id, what cannot be taken is named with
 * its reason, and neither holds up the others.
 */
final class LogSpread
{
    public function __construct(private readonly Shelf $shelf) {}

    /**
     * @param list<SpreadNote> $notes
     * @return array{stored: list<array{uuid: string, id: int}>, known: list<array{uuid: string, id: int}>,
     *     refused: list<array{uuid: string, message: string}>}
     */
    public function __invoke(User $author, string $device, array $notes): array
    {
        return AllOrNothing::of(function () use ($author, $device, $notes): array {
            $areas = Area::query()->whereKey(array_column($notes, 'areaId'))->with('site:id,timezone')->get()->keyBy('id');
            $programs = SignedProgram::query()
                ->whereKey(array_filter(array_column($notes, 'programId')))
                ->get(['id', 'area_id', 'outlook'])
                ->keyBy('id');
            $known = GroundEvent::numbersOf(array_column($notes, 'uuid'));
            $answer = ['stored' => [], 'known' => [], 'refused' => []];
            foreach ($notes as $note) {
                if (isset($known[$note->uuid])) {
                    $answer['known'][] = ['uuid' => $note->uuid, 'id' => $known[$note->uuid]];

                    continue;
                }
                $area = $areas->get($note->areaId);
                $entry = $area === null
                    ? 'This area is not there, or not your team\'s.'
                    : $this->entry($note, $area, $note->programId === null ? null : $programs->get($note->programId));
                if (is_string($entry)) {
                    $answer['refused'][] = ['uuid' => $note->uuid, 'message' => $entry];

                    continue;
                }
                $known[$note->uuid] = $entry->from($note->uuid, $device)->write($author)->id;
                $answer['stored'][] = ['uuid' => $note->uuid, 'id' => $known[$note->uuid]];
            }

            return $answer;
        });
    }

    /** The entry, or why it is not taken. */
    private function entry(SpreadNote $note, Area $area, ?SignedProgram $program): LogEntry|string
    {
        $refusal = $note->refusal(now($area->site->timezone)->format('Y-m-d'));

        return match (true) {
            $refusal !== null => $refusal,
            $note->takesBack !== null => $this->takingBack($note, $area),
            $note->programId === null => $this->otherwise($note, $area),
            $program === null, $program->area_id !== $area->id => 'This program is not there, or not one of this area.',
            default => $this->ofProgram($note, $area, $program),
        };
    }

    private function takingBack(SpreadNote $note, Area $area): LogEntry|string
    {
        $taken = GroundEvent::standing()->where('area_id', $area->id)->where('uuid', $note->takesBack)->with('area')->first();

        return $taken === null
            ? 'That entry is not there, or was taken back already.'
            : LogEntry::takingBack($taken, $note->note);
    }

    private function ofProgram(SpreadNote $note, Area $area, SignedProgram $program): LogEntry|string
    {
        $line = $note->line === null ? null : $program->outlook->line($note->line);
        if ($note->line !== null && $line === null) {
            return 'The program has no such line.';
        }
        if (! $note->asPlanned || $line === null) {
            return $this->otherwise($note, $area)->answering($program->id, $line?->key() ?? '', false);
        }
        $noted = GroundEvent::answering($program->id, $line->key());
        if ($noted !== null) {
            return "{$noted->author->name} noted this line already, on {$noted->on->format('j M Y')}: take that back first.";
        }
        $product = $this->shelf->all()[$line->product] ?? null;

        return LogEntry::spread(
            $area, $note->on, $line->name, $line->lbPerAcre, 'lb/acre', $line->product, $product, $line->part, $note->spreadBy,
        )
            ->saying($note->weather, $note->note)
            ->answering($program->id, $line->key(), true);
    }

    private function otherwise(SpreadNote $note, Area $area): LogEntry
    {
        $product = $this->shelf->all()[$note->product] ?? null;
        $what = $product->name ?? ($note->what === '' ? $note->product : $note->what);

        return LogEntry::spread(
            $area, $note->on, $what, $note->amount ?? NAN, $note->unit, $note->product, $product, $note->part, $note->spreadBy,
        )->saying($note->weather, $note->note);
    }
}
