<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Geometry\PictureFit;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * A picture of a site, an aerial photo or a sketch, laid under its map by two or three known places.
 *
 * @property int $id
 * @property int $team_id
 * @property int $site_id
 * @property string $name
 * @property string $file
 * @property string $mime
 * @property int $width
 * @property int $height
 * @property list<array{x: float, y: float, longitude: float, latitude: float}> $known
 */
final class Underlay extends Model
{
    use BelongsToTeam;

    public const FOLDER = 'underlays';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['known' => 'array'];
    }

    /**
     * The corners upper left, upper right and lower left, once the picture has its places.
     *
     * @return list<array{float, float}>|null
     */
    public function corners(): ?array
    {
        if ($this->known === []) {
            return null;
        }
        $fit = PictureFit::of(
            array_map(
                static fn (array $k): array => [
                    'x' => (float) $k['x'],
                    'y' => (float) $k['y'],
                    'longitude' => (float) $k['longitude'],
                    'latitude' => (float) $k['latitude'],
                ],
                $this->known,
            ),
        );

        return [$fit->place(0, 0), $fit->place($this->width, 0), $fit->place(0, $this->height)];
    }

    /** @return Collection<int, self> of a site, in the order in which they were laid */
    public static function ofSite(Site $site): Collection
    {
        return self::query()->where('site_id', $site->id)->orderBy('id')->get();
    }
}
