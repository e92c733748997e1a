<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Database\State;
use App\Exceptions\Conflict;
use App\Models\RecordChange;
use Illuminate\Database\Eloquent\Model;

/** A record of which every change is noted, from what to what: KEPT names the fields, KIND the record. */
trait KeepsChanges
{
    protected static function bootKeepsChanges(): void
    {
        static::updated(static function (Model $model): void {
            $changed = array_intersect_key($model->getChanges(), array_flip(self::KEPT));
            if ($changed !== []) {
                RecordChange::note(self::KIND, $model, array_intersect_key($model->getRawOriginal(), $changed), $changed);
            }
        });
        static::deleted(static fn (Model $model) => RecordChange::note(self::KIND, $model, $model->getRawOriginal(), []));
    }

    /** Names what a person can change of it: an edit that is based on another state is not taken. */
    public function state(): string
    {
        $stored = $this->getAttributes();
        $says = array_map(static function (string $field) use ($stored): string {
            $value = $stored[$field] ?? '';

            return is_scalar($value) ? (string) (is_bool($value) ? (int) $value : $value) : json_encode($value, JSON_THROW_ON_ERROR);
        }, self::KEPT);

        return State::of($says);
    }

    /**
     * Is an edit that began from a state still one of what is stored? Nothing is asked where no state was said.
     *
     * @throws Conflict
     */
    public function standsAt(mixed $state): void
    {
        State::check($this->refresh()->state(), $state, RecordChange::nameOf($this));
    }
}
