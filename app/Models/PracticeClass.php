<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Str;

/**
 * People who practise on the same ground, each by themselves, of whatever team: one joins by its code.
 *
 * @property int $id
 * @property int $team_id
 * @property int $created_by
 * @property string $name
 * @property string $code
 * @property string $level
 * @property int $seed
 * @property string|null $lesson
 * @property int $fields_count
 * @property-read Collection<int, PracticeField> $fields
 */
final class PracticeClass extends Model
{
    protected $guarded = [];

    /** @return HasMany<PracticeField, $this> */
    public function fields(): HasMany
    {
        return $this->hasMany(PracticeField::class, 'class_id');
    }

    private const CODE = 8;

    /** Opens one: the same ground for whoever joins it by its code. */
    public static function open(User $leads, string $name, string $level, int $seed, ?string $lesson): self
    {
        return self::query()->create([
            'team_id' => $leads->team_id,
            'created_by' => $leads->id,
            'name' => $name,
            'code' => Str::upper(Str::random(self::CODE)),
            'level' => $level,
            'seed' => $seed,
            'lesson' => $lesson,
        ]);
    }

    /** A class that somebody leads or has joined; a 404 for any other. */
    public static function openTo(User $user, int $id): self
    {
        $class = self::query()->find($id);

        return $class !== null && $class->isOpenTo($user) ? $class : abort(404);
    }

    /** How many have joined. */
    public function people(): int
    {
        return array_key_exists('fields_count', $this->attributes) ? $this->fields_count : $this->fields()->count();
    }

    public static function byCode(string $code): ?self
    {
        return self::query()->where('code', mb_strtoupper(trim($code)))->first();
    }

    /** @return Collection<int, self> that somebody leads or has joined, the newest first */
    public static function of(User $user): Collection
    {
        return self::query()->withCount('fields')->where('created_by', $user->id)
            ->orWhereHas('fields', static fn ($fields) => $fields->where('home_id', $user->id))
            ->orderByDesc('id')->get();
    }

    /** Do they lead it, or have they joined it? */
    private function isOpenTo(User $user): bool
    {
        return $this->created_by === $user->id || $this->fields()->where('home_id', $user->id)->exists();
    }
}
