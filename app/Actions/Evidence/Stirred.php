<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Database\Values;
use App\Models\TestMethod;
use Illuminate\Support\Facades\DB;

/**
 * What was touched since evidence was last computed, as the database noted it: methods by their number, and all tests or all
 * labs where a change reaches that far.
 */
final readonly class Stirred
{
    public const ALL_TESTS = 0;

    public const ALL_LABS = -1;

    /** @param array<int, int> $times by method */
    private function __construct(private int $team, private array $times) {}

    public static function of(int $team): self
    {
        return new self(
            $team,
            array_map(
                Values::whole(...),
                DB::table('stirred')->where('team_id', $team)->pluck('times', 'method_id')->all(),
            ),
        );
    }

    public function isNothing(): bool
    {
        return $this->times === [];
    }

    /** May what is kept of a test beside its reference be of yesterday? */
    public function reaches(TestMethod $test, TestMethod $reference): bool
    {
        return isset($this->times[self::ALL_TESTS]) || isset($this->times[$test->id]) || isset($this->times[$reference->id]);
    }

    /** And what is kept of the duplicates of a lab's method? */
    public function reachesLab(int $method): bool
    {
        return isset($this->times[self::ALL_LABS]) || isset($this->times[$method]);
    }

    /** It was computed. What was touched again meanwhile stays noted. */
    public function settle(): void
    {
        foreach ($this->times as $method => $times) {
            DB::table('stirred')
                ->where('team_id', $this->team)
                ->where('method_id', $method)
                ->where('times', $times)
                ->delete();
        }
    }
}
