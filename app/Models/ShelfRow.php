<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * A team's own product, or its own row in the place of one that ships.
 *
 * @property int $id
 * @property int $team_id
 * @property string $code
 * @property array<string, mixed> $row
 */
final class ShelfRow extends Model
{
    use BelongsToTeam;

    protected $table = 'shelf_products';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['row' => 'array'];
    }
}
