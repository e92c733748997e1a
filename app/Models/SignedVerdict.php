<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\AsValues;
use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\IsShown;
use HonestCore\Agreement\KeptPair;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * A signed verdict on one claim of one test: written once, only followed by a new one.
 *
 * @property int $id
 * @property int $team_id
 * @property int $method_id
 * @property int $reference_id
 * @property int $policy_id
 * @property int $signed_by
 * @property int|null $follows_id
 * @property string $claim
 * @property string $verdict
 * @property array{text: string, lot: string, test_from: float|null, test_to: float|null,
 *     reference_from: float|null, reference_to: float|null, lots?: list<string>, seasons?: list<int>, records?: bool} $scope
 * @property array<string, mixed> $evidence
 * @property string $evidence_hash
 * @property string $note
 * @property list<KeptPair>|null $snapshot
 * @property int|null $season
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read TestMethod $method
 * @property-read TestMethod $reference
 * @property-read JudgingPolicy $policy
 * @property-read User $signer
 * @property-read SignedVerdict|null $follower
 */
final class SignedVerdict extends Model
{
    use BelongsToTeam;
    use IsShown;

    public const SHOWN_WITH = ['method', 'reference', 'policy', 'signer', 'follower:id,follows_id'];

    protected $table = 'verdicts';

    protected $guarded = [];

    /** All but the pairs it rests on, which are many: for lists. */
    public const LISTED = [
        'id',
        'team_id',
        'method_id',
        'reference_id',
        'policy_id',
        'signed_by',
        'follows_id',
        'claim',
        'verdict',
        'scope',
        'evidence',
        'evidence_hash',
        'note',
        'season',
        'created_at',
    ];

    /**
     * What it was not asked for of a reading: its lot, or the season of its composite; empty where it speaks. Verdicts of
     * before speak for their lot and end with their season.
     */
    public function silentOn(string $lot, int $year): string
    {
        return match (true) {
            ! isset($this->scope['lots'], $this->scope['seasons']) => '',
            ! in_array($lot, $this->scope['lots'], true) => $lot === '' ? 'readings that name no lot' : "lot {$lot}",
            ! in_array($year, $this->scope['seasons'], true) => "the season {$year}",
            default => '',
        };
    }

    /** What the rules of today make of its pairs under a policy; null where its pairs were not kept. */
    public function judgedBy(JudgingPolicy $policy): ?string
    {
        return $this->snapshot === null
            ? null
            : KeptPair::assess($this->snapshot, $policy->policy(), $policy->limitsFor(...), $this->method->scale())
                ->{$this->claim}->verdict->value;
    }

    /** Does it rest on old records alone? */
    public function isOfRecords(): bool
    {
        return $this->scope['records'] ?? false;
    }

    /**
     * Verdicts that no other follows.
     *
     * @return Builder<self>
     */
    public static function standing(): Builder
    {
        return self::query()->whereDoesntHave('follower');
    }

    /**
     * @return Collection<int, self> one a claim at most
     */
    public static function standingOn(TestMethod $test, TestMethod $reference): Collection
    {
        return self::standing()
            ->where('method_id', $test->id)
            ->where('reference_id', $reference->id)
            ->with(self::SHOWN_WITH)
            ->get();
    }

    /** @return Builder<self> every one ever signed, newest first */
    public static function register(): Builder
    {
        return self::query()->with(self::SHOWN_WITH)->orderByDesc('id')->select(self::LISTED);
    }

    /** @return Collection<int, self> all of the same claim on the same test, this one too, newest first */
    public function chain(): Collection
    {
        return self::query()
            ->where('method_id', $this->method_id)
            ->where('reference_id', $this->reference_id)
            ->where('claim', $this->claim)
            ->with(self::SHOWN_WITH)
            ->orderByDesc('id')
            ->get(self::LISTED);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['scope' => 'array', 'evidence' => 'array', 'snapshot' => AsValues::of(KeptPair::class)];
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function method(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'method_id');
    }

    /** @return BelongsTo<TestMethod, $this> */
    public function reference(): BelongsTo
    {
        return $this->belongsTo(TestMethod::class, 'reference_id');
    }

    /** @return BelongsTo<JudgingPolicy, $this> */
    public function policy(): BelongsTo
    {
        return $this->belongsTo(JudgingPolicy::class, 'policy_id');
    }

    /** @return BelongsTo<User, $this> */
    public function signer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'signed_by');
    }

    /** @return HasOne<SignedVerdict, $this> */
    public function follower(): HasOne
    {
        return $this->hasOne(SignedVerdict::class, 'follows_id');
    }
}
