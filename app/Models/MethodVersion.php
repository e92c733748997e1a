<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Bench\MethodDefinition;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A definition of a test method as it was at a time: written once; readings keep the one they were made under.
 *
 * @property int $id
 * @property int $team_id
 * @property int $method_id
 * @property int|null $created_by
 * @property int $version
 * @property array<string, mixed> $definition
 * @property string $why
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User|null $author
 */
final class MethodVersion extends Model
{
    use BelongsToTeam;

    protected $table = 'method_versions';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['definition' => 'array'];
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function method(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'method_id');
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    public function parsed(): MethodDefinition
    {
        return MethodDefinition::of($this->definition);
    }
}
