<?php

declare(strict_types=1);

namespace StandIn;

/**
 * Parcels on simulated days: picked up, on the way, received, measured, reported; one is lost or delayed when it is told so.
 * The same soil gives the same value but for noise that hangs on the code, so hidden duplicates agree as a lab's do.
 *
 * @phpstan-type Parcel array{reference: string, from: string, transit: int, turnaround: int, delay: int, lost: bool, portions: list<array{code: string, tests: list<string>, token: string, ph: float|null}>}
 */
final class Laboratory
{
    private const NOISE_PH = 0.05;

    private const DELAY_DAYS = 8;

    private const CHECK_PH = 6.5;

    /** @param array{day: string, trouble: string, parcels: array<string, Parcel>} $state */
    private function __construct(private array $state) {}

    public static function from(string $text, string $today): self
    {
        /** @var array{day: string, trouble: string, parcels: array<string, Parcel>}|null $state */
        $state = json_decode($text, true);

        return new self(is_array($state) ? $state : ['day' => $today, 'trouble' => 'none', 'parcels' => []]);
    }

    public function state(): string
    {
        return json_encode($this->state, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    public function day(): string
    {
        return $this->state['day'];
    }

    /** @param array<mixed> $order */
    public function accept(array $order): string
    {
        $reference = $order['reference'] ?? null;
        if (! is_string($reference) || $reference === '' || strlen($reference) > 120) {
            throw new Refused('A consignment needs a reference of up to 120 letters.', 422);
        }
        $id = 'P'.substr(hash('sha256', $reference), 0, 10);
        if (isset($this->state['parcels'][$id])) {
            return $id;
        }
        $this->state['parcels'][$id] = [
            'reference' => $reference, 'from' => $this->state['day'], 'transit' => self::days($order['transit_days'] ?? null), 'turnaround' => self::days($order['turnaround_days'] ?? null),
            'delay' => $this->state['trouble'] === 'delay' ? self::DELAY_DAYS : 0, 'lost' => $this->state['trouble'] === 'lose', 'portions' => self::portions($order['portions'] ?? null),
        ];
        $this->state['trouble'] = 'none';

        return $id;
    }

    /** @return array{state: string, word: string, day: string, reports: list<string>} */
    public function say(string $id): array
    {
        [$state, $word] = $this->whereIs($this->parcel($id));

        return ['state' => $state, 'word' => "{$word}, {$this->state['day']}", 'day' => $this->state['day'], 'reports' => $state === 'reported' ? ["report-{$id}.csv"] : []];
    }

    public function report(string $id, string $name): string
    {
        if (! in_array($name, $this->say($id)['reports'], true)) {
            throw new Refused('There is no such report yet.', 404);
        }
        $lines = ['sample,ph,mehlich_buffer_ph,smp_buffer_ph'];
        foreach ($this->parcel($id)['portions'] as $portion) {
            $lines[] = implode(',', [$portion['code'], ...self::measure($portion)]);
        }
        $lines[] = implode(',', ['LAB CHECK '.self::CHECK_PH, self::figure(self::CHECK_PH + self::NOISE_PH * self::normal("check {$id}")), '', '']);

        return implode("\n", $lines)."\n";
    }

    /**
     * @param array<mixed> $order
     * @return array{day: string, word: string}
     */
    public function order(array $order): array
    {
        $advance = $order['advance_days'] ?? 0;
        $trouble = $order['trouble'] ?? null;
        if (! is_int($advance) || $advance < 0 || $advance > 60 || ! in_array($trouble, [null, 'none', 'lose', 'delay'], true)) {
            throw new Refused('Accepted are advance_days from 0 to 60, and trouble none, lose or delay.', 422);
        }
        $this->state['day'] = (new \DateTimeImmutable($this->state['day']))->modify("+{$advance} days")->format('Y-m-d');
        $word = "It is {$this->state['day']} at the simulated lab.";
        if ($trouble !== null) {
            $word = $this->trouble($trouble);
        }

        return ['day' => $this->state['day'], 'word' => $word];
    }

    /** The parcel that is on its way longest is struck, else the next one that comes. */
    private function trouble(string $trouble): string
    {
        foreach ($trouble === 'none' ? [] : $this->state['parcels'] as $id => $parcel) {
            if (in_array($this->whereIs($parcel)[0], ['accepted', 'in_transit'], true)) {
                $this->state['parcels'][$id] = ['lost' => $trouble === 'lose', 'delay' => $trouble === 'delay' ? self::DELAY_DAYS : 0] + $parcel;

                return $trouble === 'lose' ? "Parcel {$id} is lost." : "Parcel {$id} is delayed.";
            }
        }
        $this->state['trouble'] = $trouble;

        return ['none' => 'No trouble is to come.', 'lose' => 'The next parcel will be lost.', 'delay' => 'The next parcel will be delayed.'][$trouble];
    }

    /**
     * @param Parcel $parcel
     * @return array{string, string}
     */
    private function whereIs(array $parcel): array
    {
        $gone = (int) (new \DateTimeImmutable($parcel['from']))->diff(new \DateTimeImmutable($this->state['day']))->days;
        $there = $parcel['transit'] + $parcel['delay'];
        $worked = $this->workdays((new \DateTimeImmutable($parcel['from']))->modify("+{$there} days"));

        return match (true) {
            $gone < 1 => ['accepted', 'picked up by the carrier'],
            $parcel['lost'] => ['lost', 'the carrier cannot find it'],
            $gone < $there => ['in_transit', $parcel['delay'] > 0 ? 'held up at a depot' : 'on the way'],
            $worked < 1 => ['received', 'received at the lab'],
            $worked < $parcel['turnaround'] => ['measuring', 'dried, ground and being measured'],
            default => ['reported', 'reported'],
        };
    }

    private function workdays(\DateTimeImmutable $from): int
    {
        $count = 0;
        for ($day = $from->modify('+1 day'); $day <= new \DateTimeImmutable($this->state['day']); $day = $day->modify('+1 day')) {
            $count += (int) $day->format('N') < 6 ? 1 : 0;
        }

        return $count;
    }

    /** @return Parcel */
    private function parcel(string $id): array
    {
        return $this->state['parcels'][$id] ?? throw new Refused('No such consignment was announced.', 404);
    }

    /**
     * @param array{code: string, tests: list<string>, token: string, ph: float|null} $portion
     * @return list<string>
     */
    private static function measure(array $portion): array
    {
        $truth = $portion['ph'] ?? 4.6 + 3.2 * self::uniform($portion['token']);
        $noise = static fn (string $of): float => self::NOISE_PH * self::normal("{$of} {$portion['code']}");
        $asked = static fn (string $test, float $value): string => in_array($test, $portion['tests'], true) ? self::figure($value) : '';
        $sour = max(0.0, 6.6 - $truth);

        return [$asked('ph', $truth + $noise('ph')), $asked('mehlich', 6.6 - 0.45 * $sour + $noise('mehlich')), $asked('smp', 7.0 - 0.5 * $sour + $noise('smp'))];
    }

    private static function figure(float $value): string
    {
        return number_format($value, 2, '.', '');
    }

    private static function uniform(string $seed): float
    {
        return (hexdec(substr(hash('sha256', $seed), 0, 12)) + 0.5) / 2 ** 48;
    }

    private static function normal(string $seed): float
    {
        return sqrt(-2 * log(self::uniform("{$seed} a"))) * cos(2 * M_PI * self::uniform("{$seed} b"));
    }

    private static function days(mixed $days): int
    {
        return is_int($days) && $days >= 0 && $days <= 120 ? $days : throw new Refused('Days are a whole number from 0 to 120.', 422);
    }

    /** @return list<array{code: string, tests: list<string>, token: string, ph: float|null}> */
    private static function portions(mixed $portions): array
    {
        if (! is_array($portions) || $portions === [] || count($portions) > 500) {
            throw new Refused('A consignment holds 1 to 500 portions.', 422);
        }
        $read = [];
        foreach ($portions as $portion) {
            $code = is_array($portion) ? ($portion['code'] ?? null) : null;
            if (! is_array($portion) || ! is_string($code) || preg_match('/^[A-Z0-9-]{3,20}$/D', $code) !== 1 || ! is_array($portion['tests'] ?? null)) {
                throw new Refused('A portion has a code of capitals, digits and hyphens, and a list of tests.', 422);
            }
            $soil = is_array($portion['simulated_soil'] ?? null) ? $portion['simulated_soil'] : [];
            $read[] = [
                'code' => $code, 'tests' => array_values(array_filter($portion['tests'], is_string(...))), 'token' => is_string($soil['token'] ?? null) && $soil['token'] !== '' ? $soil['token'] : $code,
                'ph' => is_numeric($soil['ph'] ?? null) ? (float) $soil['ph'] : null,
            ];
        }

        return $read;
    }
}
