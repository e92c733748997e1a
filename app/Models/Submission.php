<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Record\CanonicalText;
use Illuminate\Database\Eloquent\Model;

/**
 * What was sent under the name of a submission, as a hash: the same name never stands for two things.
 *
 * @property int $id
 * @property int $team_id
 * @property string $name
 * @property string $content
 */
final class Submission extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @param array<mixed> $body */
    public static function contentOf(string $path, array $body): string
    {
        // What the clock of the device said while it was sent is no part of it.
        unset($body['now_ms']);

        return CanonicalText::hash(['path' => $path, 'body' => json_encode(self::sorted($body), JSON_THROW_ON_ERROR)]);
    }

    public static function holdsOther(string $name, string $content): bool
    {
        return self::query()->where('name', $name)->where('content', '<>', $content)->exists();
    }

    public static function keep(string $name, string $content): void
    {
        self::query()->firstOrCreate(['name' => $name], ['content' => $content]);
    }

    /**
     * The order of fields says nothing.
     *
     * @param array<mixed> $values
     * @return array<mixed>
     */
    private static function sorted(array $values): array
    {
        if (! array_is_list($values)) {
            ksort($values);
        }

        return array_map(static fn (mixed $one): mixed => is_array($one) ? self::sorted($one) : $one, $values);
    }
}
