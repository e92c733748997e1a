<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Models\GroundEvent;
use App\Models\SignedProgram;
use App\Models\Site;
use HonestCore\FollowUp\GroundAct;
use Illuminate\Database\Eloquent\Builder;

/** The lines of the programs that stand on a site, each with what was noted of it, and what was spread besides. */
final class SpreadLines
{
    /** A line that is older than this and was never noted is left to the program's own page. */
    private const OPEN_DAYS = 400;

    /** What was noted stands in the list for so many days. */
    private const NOTED_DAYS = 120;

    /** @return array{lines: list<NotedLine>, other: list<GroundEvent>} the soonest first */
    public function of(Site $site): array
    {
        $today = now($site->timezone);
        [$open, $noted] = [$today->copy()->subDays(self::OPEN_DAYS), $today->copy()->subDays(self::NOTED_DAYS)];
        $events = GroundEvent::standing()
            ->where('kind', GroundAct::SPREAD)
            ->whereHas('area', static fn (Builder $areas): Builder => $areas->where('site_id', $site->id))
            ->where('on', '>=', $open->format('Y-m-d'))
            ->with(['author:id,name', 'photos:id,event_id', 'area:id,name'])
            ->orderByDesc('on')
            ->orderByDesc('id')
            ->get();
        $of = $events->where('line', '<>', '')->groupBy(static fn (GroundEvent $one): string => "{$one->program_id} {$one->line}");
        $lines = [];
        foreach (SignedProgram::linesOfSite($site->id) as $program) {
            foreach ($program->outlook->lines as $line) {
                $entries = array_values($of->get("{$program->id} {$line->key()}")?->all() ?? []);
                $newest = $entries === [] ? $line->on : $entries[0]->on->format('Y-m-d');
                if ($newest >= ($entries === [] ? $open : $noted)->format('Y-m-d')) {
                    $lines[] = new NotedLine($program, $line, $entries);
                }
            }
        }
        usort(
            $lines,
            static fn (NotedLine $a, NotedLine $b): int => [$a->line->on, $a->program->area->name, $a->line->part] <=>
                [$b->line->on, $b->program->area->name, $b->line->part],
        );

        return ['lines' => $lines, 'other' => array_values($events->where('line', '')->all())];
    }
}
