<?php

declare(strict_types=1);

namespace App\Models;

use HonestCore\Geometry\LocalPlane;
use HonestCore\Practice\Lesson;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeKit;
use HonestCore\Practice\PracticeLab;
use HonestCore\Practice\PracticeLevel;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A practice ground of a person: a team of its own with one account, which is entered from their own account alone.
 *
 * @property int $id
 * @property int $team_id
 * @property int $user_id
 * @property int $home_id
 * @property int|null $class_id
 * @property string $level
 * @property int $seed
 * @property string|null $lesson
 * @property bool $named
 * @property \Illuminate\Support\Carbon|null $hinted_at
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $user
 * @property-read User $home
 * @property-read Team $team
 */
final class PracticeField extends Model
{
    public const KIT = 'kit-ph';

    public const LOT = 'P-1';

    public const NEXT_LOT = 'P-2';

    /** What the site of the ground is called; a second one has the ground of the year before. */
    public const SITE = 'Practice ground';

    public const EARLIER = 'Practice ground, last year';

    protected $guarded = [];

    protected $attributes = ['named' => false, 'hinted_at' => null, 'class_id' => null];

    /** Longitude and latitude of the middle of the ground, wherever somebody moves its site. */
    public const MIDDLE = [-76.41, 43.18];

    private ?PracticeGround $made = null;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['named' => 'boolean', 'hinted_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<User, $this> */
    public function home(): BelongsTo
    {
        return $this->belongsTo(User::class, 'home_id');
    }

    /** @return BelongsTo<Team, $this> */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /** The practice ground that whoever is signed in stands on; null on ground in earnest. */
    public static function here(): ?self
    {
        $team = User::signedIn()?->team_id;

        return $team === null ? null : self::query()->where('team_id', $team)->first();
    }

    /** @return Collection<int, self> of a person, the newest first */
    public static function ofPerson(User $home): Collection
    {
        return self::withSigned()->where('home_id', $home->id)->orderByDesc('id')->get();
    }

    /** The ground of somebody in a class; null before they join it. */
    public static function inClass(PracticeClass $class, User $home): ?self
    {
        return self::query()->where('class_id', $class->id)->where('home_id', $home->id)->first();
    }

    public static function ofPersonNamed(User $home, int $id): self
    {
        return self::query()->where('home_id', $home->id)->with('user', 'home')->findOrFail($id);
    }

    public function levelOf(): PracticeLevel
    {
        return PracticeLevel::named($this->level);
    }

    public function lessonOf(): ?Lesson
    {
        return $this->lesson === null ? null : Lesson::named($this->lesson);
    }

    public function ground(): PracticeGround
    {
        return $this->made ??= PracticeGround::made($this->seed, $this->levelOf());
    }

    /** The errors of a test of the bench; another test than the kit that is there from the start has its own. */
    public function kit(string $test = self::KIT): PracticeKit
    {
        return PracticeKit::ofGround($this->levelOf(), $test === self::KIT ? $this->seed : crc32("{$this->seed} {$test}"));
    }

    public function lab(): PracticeLab
    {
        return PracticeLab::ofGround($this->levelOf(), $this->seed);
    }

    /** What a lot is off by beyond what lots do. */
    public function lotOff(string $test, string $lot): float
    {
        return $test !== self::KIT || $lot === self::LOT ? 0.0 : $this->lessonOf()->lotOff ?? 0.0;
    }

    /**
     * Where a place lies on the ground. What lies south of the road is taken as at the road.
     *
     * @param array{float, float} $degrees longitude and latitude
     * @return array{float, float} metres east and north of its corner
     */
    public function metres(array $degrees): array
    {
        [$east, $north] = (new LocalPlane(...self::MIDDLE))->toMetres($degrees);

        return [$east + $this->ground()->widthM / 2, max(0.0, $north + $this->ground()->heightM / 2)];
    }

    /**
     * @param array{float, float} $metres east and north of its corner
     * @return array{float, float} longitude and latitude
     */
    public function degrees(array $metres): array
    {
        [$longitude, $latitude] = (new LocalPlane(...self::MIDDLE))
            ->toDegrees([$metres[0] - $this->ground()->widthM / 2, $metres[1] - $this->ground()->heightM / 2]);

        return [round($longitude, 8), round($latitude, 8)];
    }

    /** @return Builder<self> with whether anything was signed on each, asked for all at once */
    public static function withSigned(): Builder
    {
        $of = static fn (string $table): string => "EXISTS (SELECT 1 FROM {$table} WHERE team_id = practice_fields.team_id)";

        $fields = self::query();
        $fields->select('practice_fields.*')->selectRaw("({$of('verdicts')} OR {$of('programs')}) AS is_signed");

        return $fields;
    }

    /** Was anything signed on it, so that the truth may be seen? */
    public function isSigned(): bool
    {
        if (array_key_exists('is_signed', $this->attributes)) {
            return (bool) $this->attributes['is_signed'];
        }
        $of = fn ($rows) => $rows->withoutGlobalScopes()->where('team_id', $this->team_id)->exists();

        return $of(SignedVerdict::query()) || $of(SignedProgram::query());
    }
}
