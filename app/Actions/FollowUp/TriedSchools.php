<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Exceptions\Conflict;
use App\Models\LocalFactorInUse;
use App\Models\User;
use HonestCore\FollowUp\SchoolTrial;
use HonestCore\FollowUp\TriedProgram;

/** Every school's word against the ground of the team, and the factors that are offered or in use. */
final class TriedSchools
{
    public function __construct(private readonly AnswersOfPrograms $answers) {}

    /**
     * @return list<array{trial: SchoolTrial, soils: array<string, SchoolTrial>, tried: list<AnsweredLine>,
     *     left_out: list<AnsweredLine>}>
     */
    public function __invoke(): array
    {
        $by = [];
        foreach ($this->answers->ofTeam() as $line) {
            if ($line->school() !== '') {
                $by[$line->school()][$line->tried() === null ? 'left_out' : 'tried'][] = $line;
            }
        }
        $found = [];
        foreach ($by as $school => $lines) {
            $tried = $lines['tried'] ?? [];
            $programs = self::programs($tried);
            $soils = [];
            foreach ($programs as $one) {
                $soils[$one->soil === '' ? 'soil not known' : $one->soil][] = $one;
            }
            ksort($soils);
            $found[] = [
                'trial' => SchoolTrial::of($school, $programs),
                'soils' => array_map(static fn (array $of): SchoolTrial => SchoolTrial::of($school, $of), $soils),
                'tried' => $tried,
                'left_out' => $lines['left_out'] ?? [],
            ];
        }

        return $found;
    }

    /** Puts a factor to use that the rule offers: as it stands now, with the reason. */
    public function use(User $signer, string $school, float $seen, string $reason): LocalFactorInUse
    {
        if (LocalFactorInUse::inUse()->where('school', $school)->exists()) {
            throw Conflict::because('factor_in_use');
        }
        foreach ($this() as $one) {
            $factor = $one['trial']->school === $school ? $one['trial']->offered() : null;
            if ($factor !== null) {
                if (abs($factor->factor - $seen) > 1e-6) {
                    throw Conflict::because('factor_moved');
                }

                return LocalFactorInUse::record([
                    'signed_by' => $signer->id,
                    'school' => $school,
                    'factor' => $factor,
                    'reason' => $reason,
                ])->refresh()->load('signer');
            }
        }
        throw Conflict::because('factor_not_offered');
    }

    public function end(LocalFactorInUse $factor, User $by): LocalFactorInUse
    {
        if ($factor->ended_at !== null) {
            throw Conflict::because('factor_ended');
        }
        $factor->update(['ended_at' => now(), 'ended_by' => $by->id]);

        return $factor->load('signer');
    }

    /**
     * @param list<AnsweredLine> $lines
     * @return list<TriedProgram>
     */
    private static function programs(array $lines): array
    {
        return array_values(array_filter(array_map(static fn (AnsweredLine $one): ?TriedProgram => $one->tried(), $lines)));
    }
}
