<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * A lot of a reagent that a method is made with.
 *
 * @property int $id
 * @property int $team_id
 * @property int $method_id
 * @property string $reagent
 * @property string $lot
 * @property \Illuminate\Support\Carbon|null $expires_on
 * @property int|null $price_cents
 * @property int|null $tests
 */
final class ReagentLot extends Model
{
    use BelongsToTeam;

    protected $table = 'reagent_lots';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_on' => 'date'];
    }
}
