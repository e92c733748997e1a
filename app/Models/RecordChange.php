<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * A change of a record, from what to what: written once. Taking it back is a change of its own.
 *
 * @property int $id
 * @property int $team_id
 * @property int|null $user_id
 * @property string $kind
 * @property int $record_id
 * @property string $name
 * @property array<string, mixed> $before
 * @property array<string, mixed> $after
 * @property int|null $takes_back
 * @property \Illuminate\Support\Carbon $at
 * @property-read User|null $user
 * @property-read self|null $takenBack
 */
final class RecordChange extends Model
{
    use BelongsToTeam;

    /** What keeps its changes; the last two are no record of their own but an act at an area. */
    public const KINDS = ['site', 'area', 'lab', 'landmark', 'plan', 'week', 'answer'];

    public $timestamps = false;

    protected $guarded = [];

    /** The change that is being taken back, while it is. */
    private static ?int $taking = null;

    /** The newest of this request, which a page offers to take back. */
    private static ?int $newest = null;

    /** Is a change part of another act, such as cutting an area in two, so that it cannot be taken back alone? */
    private static bool $isPart = false;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['before' => 'array', 'after' => 'array', 'at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasOne<self, $this> */
    public function takenBack(): HasOne
    {
        return $this->hasOne(self::class, 'takes_back');
    }

    /**
     * @param array<string, mixed> $before
     * @param array<string, mixed> $after
     */
    public static function note(string $kind, Model $of, array $before, array $after): void
    {
        $id = $of->getKey();
        $user = User::signedIn();
        if ($user === null || ! is_int($id)) {
            return;
        }
        $noted = self::record([
            'user_id' => $user->id,
            'kind' => $kind,
            'record_id' => $id,
            'name' => self::nameOf($of),
            'before' => self::$isPart ? [] : $before,
            'after' => $after,
            'takes_back' => self::$taking,
            'at' => now(),
        ]);
        self::$newest = $noted->before === [] ? null : $noted->id;
    }

    /** @param callable(): void $act */
    public static function takingBack(self $change, callable $act): void
    {
        self::$taking = $change->id;
        try {
            $act();
        } finally {
            self::$taking = null;
        }
    }

    /**
     * @template T
     *
     * @param callable(): T $act
     * @return T
     */
    public static function partOf(callable $act): mixed
    {
        self::$isPart = true;
        try {
            return $act();
        } finally {
            self::$isPart = false;
        }
    }

    /** Can it be taken back, as far as it says itself? */
    public function canGoBack(): bool
    {
        return $this->before !== [] && $this->takenBack === null;
    }

    /** The newest change since this was asked last. */
    public static function pickUp(): ?int
    {
        [$newest, self::$newest] = [self::$newest, null];

        return $newest;
    }

    public static function nameOf(Model $of): string
    {
        $name = $of instanceof Plan ? $of->loadMissing('area')->area->name : $of->getAttribute('name');

        return mb_substr(is_string($name) ? $name : '', 0, 120);
    }

    /** @return Builder<self> the newest first */
    public static function register(?string $kind, ?int $record): Builder
    {
        return self::query()->with(['user', 'takenBack:id,takes_back'])
            ->when($kind !== null, static fn ($of) => $of->where('kind', $kind))
            ->when($record !== null, static fn ($of) => $of->where('record_id', $record))
            ->orderByDesc('id');
    }
}
