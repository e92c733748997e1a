<?php

declare(strict_types=1);

namespace App\Actions\Changes;

use App\Actions\FollowUp\Campaign;
use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Area;
use App\Models\Lab;
use App\Models\Landmark;
use App\Models\PhAnswer;
use App\Models\Plan;
use App\Models\RecordChange;
use App\Models\Site;
use App\Models\User;
use HonestCore\Geometry\Boundary;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\UniqueConstraintViolationException;

/** Puts back what a change had changed, as long as nobody changed it since; that is a change of its own. */
final class TakeBack
{
    private const OF = ['site' => Site::class, 'area' => Area::class, 'lab' => Lab::class, 'plan' => Plan::class];

    public function __construct(private readonly Campaign $campaign) {}

    public function __invoke(RecordChange $change, User $by): void
    {
        AllOrNothing::of(function () use ($change, $by): void {
            if ($change->takenBack()->exists()) {
                throw Conflict::because('taken_back_before');
            }
            if ($change->before === []) {
                throw Conflict::because('change_stays');
            }
            RecordChange::takingBack($change, fn () => match ($change->kind) {
                'week' => $this->week($change, $by),
                'answer' => $this->answer($change, $by),
                'landmark' => $this->landmark($change),
                default => $this->putBack($change, $this->record($change)),
            });
        });
    }

    private function record(RecordChange $change): Model
    {
        $record = (self::OF[$change->kind] ?? throw Conflict::because('change_stays'))::ofTeam($change->record_id);

        return $record ?? throw Conflict::because('record_gone', name: $change->name);
    }

    private function putBack(RecordChange $change, Model $record): void
    {
        foreach ($change->after as $field => $value) {
            if (self::plain($record->getRawOriginal($field)) !== self::plain($value)) {
                throw Conflict::because('changed_since', name: $change->name);
            }
        }
        if ($record instanceof Site && array_key_exists('letters', $change->before) && $record->hasSamples()) {
            throw Conflict::because('letters_in_use', name: $record->name);
        }
        $record->setRawAttributes([...$record->getAttributes(), ...$change->before]);
        if ($record instanceof Area) {
            $record->area_m2 = Boundary::fromGeoJson(json_encode($record->boundary, JSON_THROW_ON_ERROR))->areaM2();
        }
        if ($record instanceof Area && Area::isNameTaken($record)) {
            throw Conflict::because('name_taken_since', name: $record->name);
        }
        try {
            $record->save();
        } catch (UniqueConstraintViolationException) {
            throw Conflict::because('name_taken_since', name: $change->name);
        }
    }

    private function landmark(RecordChange $change): void
    {
        if ($change->after !== [] || Landmark::ofTeam($change->record_id) !== null) {
            throw Conflict::because('changed_since', name: $change->name);
        }
        $landmark = new Landmark();
        $landmark->setRawAttributes($change->before);
        $landmark->save();
        RecordChange::note('landmark', $landmark, [], ['name' => $landmark->name]);
    }

    private function week(RecordChange $change, User $by): void
    {
        $area = Area::ofTeam($change->record_id) ?? throw Conflict::because('record_gone', name: $change->name);
        if ($this->campaign->movedTo($area) !== ($change->after['week'] ?? null)) {
            throw Conflict::because('changed_since', name: $change->name);
        }
        $week = $change->before['week'] ?? null;
        $this->campaign->move($area, $by, is_string($week) ? $week : null);
    }

    private function answer(RecordChange $change, User $by): void
    {
        $area = Area::ofTeam($change->record_id) ?? throw Conflict::because('record_gone', name: $change->name);
        $question = is_string($change->after['question'] ?? null) ? $change->after['question'] : '';
        if (PhAnswer::newest($area, $question) !== ($change->after['answer'] ?? null)) {
            throw Conflict::because('changed_since', name: $change->name);
        }
        $answer = $change->before['answer'] ?? null;
        PhAnswer::give($area, $by, $question, is_string($answer) ? $answer : PhAnswer::UNKNOWN, '');
    }

    private static function plain(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : json_encode($value, JSON_THROW_ON_ERROR);
    }
}
