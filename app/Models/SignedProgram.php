<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\AsValue;
use App\Database\Values;
use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\IsShown;
use App\Record\OwnNumbers;
use HonestCore\FollowUp\Outlook;
use HonestCore\Program\ProgramChoices;
use HonestCore\Program\SpreadPart;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * A program as it was signed: written once, only followed by a newer one of the same area, crop and season.
 *
 * @property int $id
 * @property int $team_id
 * @property int $area_id
 * @property int|null $follows_id
 * @property int $signed_by
 * @property string $crop
 * @property int $season
 * @property ProgramChoices $choices
 * @property array<string, mixed> $body
 * @property list<array{name: string, part: string, on: string}> $days
 * @property Outlook $outlook
 * @property string $hash
 * @property string $note
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read Area $area
 * @property-read User $signer
 * @property-read SignedProgram|null $follower
 * @property-read Collection<int, ProgramShare> $shares
 */
final class SignedProgram extends Model
{
    use BelongsToTeam;
    use IsShown;

    public const SHOWN_WITH = ['area.site', 'signer', 'follower:id,follows_id,created_at', 'shares.author'];

    /** All but what it says, which is long: for lists. */
    public const LISTED = ['id', 'team_id', 'area_id', 'follows_id', 'signed_by', 'crop', 'season', 'hash', 'note', 'created_at'];

    protected $table = 'programs';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'choices' => AsValue::of(ProgramChoices::class), 'body' => 'array', 'days' => 'array',
            'outlook' => AsValue::of(Outlook::class),
        ];
    }

    /** @return BelongsTo<Area, $this> */
    public function area(): BelongsTo
    {
        return $this->belongsTo(Area::class);
    }

    /** @return BelongsTo<User, $this> */
    public function signer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'signed_by');
    }

    /** @return HasOne<SignedProgram, $this> */
    public function follower(): HasOne
    {
        return $this->hasOne(self::class, 'follows_id');
    }

    /** @return HasMany<ProgramShare, $this> */
    public function shares(): HasMany
    {
        return $this->hasMany(ProgramShare::class, 'program_id');
    }

    /** @return Builder<self> that no newer one follows */
    public static function standing(): Builder
    {
        return self::query()->whereDoesntHave('follower');
    }

    /** The one that stands for an area, crop and season. */
    public static function standingFor(Area $area, string $crop, int $season): ?self
    {
        return self::standing()
            ->where('area_id', $area->id)
            ->where('crop', $crop)
            ->where('season', $season)
            ->orderByDesc('id')
            ->first();
    }

    /** @return Collection<int, self> all of an area, the newest first */
    public static function ofArea(Area $area): Collection
    {
        return self::query()
            ->where('area_id', $area->id)
            ->with(['signer', 'follower:id,follows_id,created_at'])
            ->orderByDesc('id')
            ->get(self::LISTED);
    }

    /** @return Collection<int, self> that stand on the areas of a site, with what they say */
    public static function ofSite(int $siteId): Collection
    {
        return self::standing()
            ->whereHas('area', static fn (Builder $areas): Builder => $areas->where('site_id', $siteId))
            ->with(['area', 'signer'])
            ->orderByDesc('season')
            ->orderBy('id')
            ->get();
    }

    /** Lines of a program lie within so many days of its signing; what is older is history. */
    private const LINES_LAST_DAYS = 900;

    /** @return Collection<int, self> that stand on the areas of a site and are not long gone, with their lines alone, the newest first */
    public static function linesOfSite(int $siteId): Collection
    {
        return self::standing()
            ->whereHas('area', static fn (Builder $areas): Builder => $areas->where('site_id', $siteId))
            ->where('created_at', '>=', now()->subDays(self::LINES_LAST_DAYS))
            ->with('area:id,name')
            ->orderByDesc('id')
            ->get(['id', 'area_id', 'outlook']);
    }

    /** @return list<array<mixed>> */
    public function parts(): array
    {
        $parts = $this->body['parts'] ?? [];

        return array_values(array_filter(is_array($parts) ? $parts : [], is_array(...)));
    }

    /**
     * The verdicts it rests on under the numbers they have in this database; what was signed keeps those it was signed with.
     *
     * @return list<array<mixed>>
     */
    public function verdictsHere(): array
    {
        $verdicts = $this->body['verdicts'] ?? [];

        return array_values(array_map(
            static fn (array $one): array => ['id' => Values::whole($one['id'] ?? 0) + OwnNumbers::ofThisTeam()] + $one,
            array_filter(is_array($verdicts) ? $verdicts : [], is_array(...)),
        ));
    }

    /** @return list<SpreadPart> */
    public function spreadParts(): array
    {
        return SpreadPart::all($this->parts());
    }
}
