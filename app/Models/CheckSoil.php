<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * Soil of known value, to be slipped in among others.
 *
 * @property int $id
 * @property int $team_id
 * @property string $name
 * @property array<string, array{value: float|int, uncertainty: float|int}> $known
 * @property string $note
 */
final class CheckSoil extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['known' => 'array'];
    }

    /** @return Collection<int, self> */
    public static function byName(): Collection
    {
        return self::query()->orderBy('name')->get();
    }
}
