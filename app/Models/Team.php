<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * The people who share sites, samples and verdicts; no team sees another's.
 *
 * @property int $id
 * @property string $name
 * @property int $numbers_from by how much the numbers of its rows lie above those of its record
 */
final class Team extends Model
{
    protected $guarded = [];

    /**
     * Those a command asks for, by number or name; all where none is asked for.
     *
     * @return Collection<int, self>
     */
    public static function asked(mixed $team): Collection
    {
        return self::query()
            ->when(is_string($team), static fn ($teams) => $teams->where('id', $team)->orWhere('name', $team))
            ->orderBy('id')
            ->get();
    }
}
