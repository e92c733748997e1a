<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * A reader's colour-vision check: a screening, no diagnosis.
 *
 * @property int $id
 * @property int $team_id
 * @property int $created_by
 * @property string $reader
 * @property int $seed
 * @property list<string|null> $answers
 * @property bool $passed
 * @property int $right
 * @property int $plates
 * @property string $words
 * @property \Illuminate\Support\Carbon $taken_on
 */
final class VisionRecord extends Model
{
    use BelongsToTeam;

    protected $table = 'vision_checks';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['answers' => 'array', 'passed' => 'boolean', 'taken_on' => 'date'];
    }

    /** @return Collection<int, self> */
    public static function newest(int $most): Collection
    {
        return self::query()->orderByDesc('id')->limit($most)->get();
    }
}
