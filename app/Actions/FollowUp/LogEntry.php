<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Models\Area;
use App\Models\GroundEvent;
use App\Models\User;
use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\Outlook;
use HonestCore\Program\ShelfProduct;
use HonestCore\Quantity\AreaRate;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/** An entry of the log as it is to be written: the one home of its fields. */
final readonly class LogEntry
{
    /** @param array<string, mixed> $fields of the row */
    private function __construct(private array $fields) {}

    /**
     * What was spread.
     *
     * @param string $code of the product as it was given, whether it is on the shelf or not
     * @param ShelfProduct|null $product that it is, where it is on the shelf: then it is known what it brings
     */
    public static function spread(
        Area $area,
        string $on,
        string $what,
        float $amount,
        string $unit,
        string $code = '',
        ?ShelfProduct $product = null,
        int $part = 0,
        string $by = '',
    ): self {
        $pounds = AreaRate::in($amount, $unit)->lbPerAcre;
        $brings = $product?->brings($pounds);

        return self::of($area, GroundAct::SPREAD, $on, $what, $amount, $unit)->with([
            'product' => $code,
            'part' => $part,
            'spread_by' => $by,
            'lb_per_acre' => $pounds,
            'brings' => $brings,
            'corrects' => implode(',', Outlook::correctedBy($brings ?? [])),
            'is_large' => self::isLarge($brings ?? []),
        ]);
    }

    public static function rain(Area $area, string $on, float $amount, string $unit): self
    {
        return self::of($area, GroundAct::RAIN, $on, '', $amount, $unit);
    }

    public static function problem(Area $area, string $on, string $what): self
    {
        return self::of($area, GroundAct::PROBLEM, $on, $what, 0.0, '');
    }

    public static function takingBack(GroundEvent $taken, string $note): self
    {
        return self::of($taken->area, GroundEvent::TAKEN_BACK, $taken->on->format('Y-m-d'), $taken->what, 0.0, '')
            ->with(['note' => $note, 'takes_back_id' => $taken->id]);
    }

    /** As a phone noted it, under a name of its own. */
    public function from(string $uuid, string $device): self
    {
        return $this->with(['uuid' => $uuid, 'device' => $device]);
    }

    /** As the answer to a line of a program; an empty line is none. */
    public function answering(int $program, string $line, bool $asPlanned): self
    {
        return $this->with(['program_id' => $program, 'line' => $line, 'as_planned' => $asPlanned]);
    }

    public function saying(string $weather, string $note): self
    {
        return $this->with(['weather' => $weather, 'note' => $note]);
    }

    /** To be called in a transaction, so that it gets its link. */
    public function write(User $author): GroundEvent
    {
        return GroundEvent::record(['created_by' => $author->id] + $this->fields);
    }

    private static function of(Area $area, string $kind, string $on, string $what, float $amount, string $unit): self
    {
        return new self(['area_id' => $area->id, 'kind' => $kind, 'on' => $on, 'what' => $what, 'amount' => $amount, 'unit' => $unit]);
    }

    /** @param array<string, mixed> $more */
    private function with(array $more): self
    {
        return new self($more + $this->fields);
    }

    /** @param array<string, float> $brings lb an acre */
    private static function isLarge(array $brings): bool
    {
        $bounds = new Fields((new Fields(RuleTable::named('follow-up')))->row('large_lb_per_acre'));
        foreach ($brings as $key => $pounds) {
            if ($bounds->has($key) && $pounds > $bounds->number($key)) {
                return true;
            }
        }

        return false;
    }
}
