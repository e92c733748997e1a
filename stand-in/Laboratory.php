<?php

declare(strict_types=1);

namespace StandIn;

/**
 * Consignments on simulated days: picked up, on the way, received, measured, reported; one is lost or delayed when it is
 * told so.
 * The same soil gives the same value but for noise that hangs on the code, so hidden duplicates agree as a lab's do.
 *
 * @phpstan-import-type Row from Report
 * @phpstan-import-type Kept from Slip
 *
 * @phpstan-type Sent array{code: string, tests: list<string>, token: string, ground: string, ph: float|null}
 * @phpstan-type Soil array{token: string, ground: string, ph: float|null}
 * @phpstan-type Consignment array{reference: string, from: string, transit: int, turnaround: int, delay: int,
 *     lost: bool, portions: list<Sent>, shape: string, slip: Kept, recheck: string|null}
 * @phpstan-type Next array{shape: string|null, slip: Kept|null}
 * @phpstan-type State array{day: string, trouble: string, next: Next,
 *     soils: array<string, array<string, Soil>>, consignments: array<string, Consignment>}
 */
final class Laboratory
{
    private const NOISE_PH = 0.05;

    private const DELAY_DAYS = 8;

    private const CHECK_PH = 6.5;

    private const CORRECTED_AFTER_DAYS = 2;

    private const NO_ORDER = ['shape' => null, 'slip' => null];

    /** @param State $state */
    private function __construct(private array $state) {}

    public static function from(string $text, string $today): self
    {
        /** @var State|null $state */
        $state = json_decode($text, true);

        if (! is_array($state)) {
            return new self(['day' => $today, 'trouble' => 'none', 'next' => self::NO_ORDER, 'soils' => [], 'consignments' => []]);
        }
        // A state that was kept before there were shapes and slips.
        $state += ['next' => self::NO_ORDER, 'soils' => []];
        $state['consignments'] = array_map(
            static fn (array $consignment): array => $consignment + [
                'shape' => 'table',
                'slip' => ['kind' => 'none', 'told' => false],
                'recheck' => null,
            ],
            $state['consignments'],
        );

        return new self($state);
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
        if (isset($this->state['consignments'][$id])) {
            return $id;
        }
        $this->state['consignments'][$id] = [
            'reference' => $reference,
            'from' => $this->state['day'],
            'transit' => self::days($order['transit_days'] ?? null),
            'turnaround' => self::days($order['turnaround_days'] ?? null),
            'delay' => $this->state['trouble'] === 'delay' ? self::DELAY_DAYS : 0,
            'lost' => $this->state['trouble'] === 'lose',
            'portions' => self::portions($order['portions'] ?? null, $this->state['soils'][$reference] ?? []),
            'shape' => $this->state['next']['shape'] ?? Report::SHAPES[(int) (3 * self::uniform("shape {$reference}"))],
            'slip' => $this->state['next']['slip'] ??
                Slip::of(self::uniform("slip {$reference}"), self::uniform("told {$reference}")),
            'recheck' => null,
        ];
        [$this->state['trouble'], $this->state['next']] = ['none', self::NO_ORDER];
        unset($this->state['soils'][$reference]);

        return $id;
    }

    /**
     * What is in the bags of a consignment that is to come.
     *
     * @param array<mixed> $order
     * @return array{}
     */
    public function fill(array $order): array
    {
        $reference = $order['reference'] ?? null;
        $soils = $order['soils'] ?? null;
        if (! is_string($reference) || strlen($reference) > 120 || ! is_array($soils) || count($soils) > 500) {
            throw new Refused('Soils come with the reference of a consignment, up to 500 of them.', 422);
        }
        foreach ($soils as $code => $soil) {
            $this->state['soils'][$reference][(string) $code] = self::soil(is_array($soil) ? $soil : []);
        }

        return [];
    }

    /** @return array{state: string, word: string, day: string, reports: list<string>} */
    public function say(string $id): array
    {
        $consignment = $this->consignment($id);
        [$state, $word] = $this->whereIs($consignment);
        $told = $state === 'reported' ? Slip::words($consignment['slip']) : '';
        $reports = $state === 'reported' ? [Report::name($consignment['shape'], $id, '')] : [];
        if ($this->isCorrected($consignment)) {
            [$told, $reports] = [
                'a corrected report is out',
                [...$reports, Report::name($consignment['shape'], $id, '-corrected')],
            ];
        }

        return [
            'state' => $state,
            'word' => "{$word}, {$this->state['day']}".($told === '' ? '' : "; {$told}"),
            'day' => $this->state['day'],
            'reports' => $reports,
        ];
    }

    public function report(string $id, string $name): string
    {
        if (! in_array($name, $this->say($id)['reports'], true)) {
            throw new Refused('There is no such report yet.', 404);
        }
        $consignment = $this->consignment($id);
        $again = str_contains($name, '-corrected');
        $rows = array_map(
            static fn (array $portion): array => [
                'code' => $portion['code'],
                'values' => self::measure($portion, $again ? 'again ' : ''),
            ],
            $consignment['portions'],
        );

        return Report::write(
            $consignment['shape'],
            $id,
            $consignment['from'],
            $again ? $rows : Slip::make($consignment['slip'], $rows),
            self::CHECK_PH +
                ($consignment['slip']['kind'] === 'shift' && ! $again ? 0.3 : 0) +
                self::NOISE_PH * self::normal("check {$id}{$again}"),
        );
    }

    /**
     * Samples are to be measured again; the corrected report comes after some days.
     *
     * @return array{word: string}
     */
    public function recheck(string $id): array
    {
        $consignment = $this->consignment($id);
        if ($this->whereIs($consignment)[0] !== 'reported') {
            throw new Refused('Nothing of this consignment was reported yet.', 422);
        }
        $this->state['consignments'][$id]['recheck'] ??= $this->state['day'];

        return [
            'word' => 'the samples are measured again; a corrected report comes in '.self::CORRECTED_AFTER_DAYS.' days',
        ];
    }

    /** @param Consignment $consignment */
    private function isCorrected(array $consignment): bool
    {
        $from = $consignment['recheck'];
        if ($from === null && Slip::words($consignment['slip']) !== '' && $this->whereIs($consignment)[0] === 'reported') {
            return $this->workdays(
                (new \DateTimeImmutable($consignment['from']))->modify(
                    '+'.($consignment['transit'] + $consignment['delay']).' days',
                ),
            ) >=
                $consignment['turnaround'] + self::CORRECTED_AFTER_DAYS;
        }

        return $from !== null &&
            (new \DateTimeImmutable($from))->diff(new \DateTimeImmutable($this->state['day']))->days >=
                self::CORRECTED_AFTER_DAYS;
    }

    /**
     * @param array<mixed> $order
     * @return array{day: string, word: string}
     */
    public function order(array $order): array
    {
        [$advance, $trouble, $slip, $shape] = self::understood($order);
        $this->state['next'] = [
            'shape' => $shape ?? $this->state['next']['shape'],
            'slip' => $slip === null
                    ? $this->state['next']['slip']
                    : ['kind' => $slip, 'told' => ($order['told'] ?? null) === true],
        ];
        $this->state['day'] = (new \DateTimeImmutable($this->state['day']))
            ->modify("+{$advance} days")
            ->format('Y-m-d');
        $word = "It is {$this->state['day']} at the simulated lab.";
        $word = $trouble === null ? $word : $this->trouble($trouble);
        $word = [
            'none' => 'The next consignment will be measured as it should be.',
            'swap' => 'Two samples of the next consignment will be exchanged.',
            'shift' => 'The next consignment will be measured by a meter that is set wrong.',
        ][$slip ?? ''] ?? $word;

        return ['day' => $this->state['day'], 'word' => $word];
    }

    /**
     * @param array<mixed> $order
     * @return array{int, string|null, string|null, string|null} days, trouble, slip and shape
     */
    private static function understood(array $order): array
    {
        $advance = $order['advance_days'] ?? 0;
        $trouble = $order['trouble'] ?? null;
        $slip = $order['slip'] ?? null;
        $shape = $order['shape'] ?? null;
        $known = in_array($trouble, [null, 'none', 'lose', 'delay'], true) &&
            in_array($slip, [null, ...Slip::KINDS], true) &&
            in_array($shape, [null, ...Report::SHAPES], true);
        if (! $known || ! is_int($advance) || $advance < 0 || $advance > 60) {
            throw new Refused(
                'Accepted are advance_days from 0 to 60, trouble none, lose or delay, slip none, swap or shift, and '.
                    'shape table, titled or document.',
                422,
            );
        }

        return [$advance, $trouble, $slip, $shape];
    }

    /** The consignment that is on its way longest is struck, else the next one that comes. */
    private function trouble(string $trouble): string
    {
        foreach ($trouble === 'none' ? [] : $this->state['consignments'] as $id => $consignment) {
            if (in_array($this->whereIs($consignment)[0], ['accepted', 'in_transit'], true)) {
                $this->state['consignments'][$id] =
                    ['lost' => $trouble === 'lose', 'delay' => $trouble === 'delay' ? self::DELAY_DAYS : 0] + $consignment;

                return $trouble === 'lose' ? "Consignment {$id} is lost." : "Consignment {$id} is delayed.";
            }
        }
        $this->state['trouble'] = $trouble;

        return [
            'none' => 'No trouble is to come.',
            'lose' => 'The next consignment will be lost.',
            'delay' => 'The next consignment will be delayed.',
        ][$trouble];
    }

    /**
     * @param Consignment $consignment
     * @return array{string, string}
     */
    private function whereIs(array $consignment): array
    {
        $gone = (int) (new \DateTimeImmutable($consignment['from']))->diff(new \DateTimeImmutable($this->state['day']))
            ->days;
        $there = $consignment['transit'] + $consignment['delay'];
        $worked = $this->workdays((new \DateTimeImmutable($consignment['from']))->modify("+{$there} days"));

        return match (true) {
            $gone < 1 => ['accepted', 'picked up by the carrier'],
            $consignment['lost'] => ['lost', 'the carrier cannot find it'],
            $gone < $there => ['in_transit', $consignment['delay'] > 0 ? 'held up at a depot' : 'on the way'],
            $worked < 1 => ['received', 'received at the lab'],
            $worked < $consignment['turnaround'] => ['measuring', 'dried, ground and being measured'],
            default => ['reported', 'reported'],
        };
    }

    private function workdays(\DateTimeImmutable $from): int
    {
        $count = 0;
        for (
            $day = $from->modify('+1 day');
            $day <= new \DateTimeImmutable($this->state['day']);
            $day = $day->modify('+1 day')
        ) {
            $count += (int) $day->format('N') < 6 ? 1 : 0;
        }

        return $count;
    }

    /** @return Consignment */
    private function consignment(string $id): array
    {
        return $this->state['consignments'][$id] ?? throw new Refused('No such consignment was announced.', 404);
    }

    /**
     * @param Sent $portion
     * @return array<string, float> what was asked for
     */
    private static function measure(array $portion, string $time): array
    {
        $truth = $portion['ph'] ?? 4.6 + 3.2 * self::uniform($portion['token']);
        $noise = static fn (string $of): float => self::normal("{$time}{$of} {$portion['code']}");
        // Samples of one ground are alike.
        $soil = static fn (string $of): float => self::uniform("{$of} {$portion['ground']}") +
            0.04 * (self::uniform("{$of} {$portion['token']}") - 0.5);
        $sour = max(0.0, 6.6 - $truth);

        return array_intersect_key(
            [
                'ph' => $truth + self::NOISE_PH * $noise('ph'),
                'mehlich' => 6.6 - 0.45 * $sour + self::NOISE_PH * $noise('mehlich'),
                'smp' => 7.0 - 0.5 * $sour + self::NOISE_PH * $noise('smp'),
                'p' => exp(2.3 + 2.2 * $soil('p') + 0.05 * $noise('p')),
                'k' => exp(4.2 + 1.5 * $soil('k') + 0.05 * $noise('k')),
                'om' => (1.5 + 4 * $soil('om')) * exp(0.04 * $noise('om')),
            ],
            array_flip($portion['tests']),
        );
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
        return is_int($days) && $days >= 0 && $days <= 120
            ? $days
            : throw new Refused('Days are a whole number from 0 to 120.', 422);
    }

    /**
     * @param array<string, Soil> $soils
     * @return list<Sent>
     */
    private static function portions(mixed $portions, array $soils): array
    {
        if (! is_array($portions) || $portions === [] || count($portions) > 500) {
            throw new Refused('A consignment holds 1 to 500 portions.', 422);
        }
        $read = [];
        foreach ($portions as $portion) {
            [$code, $tests] = self::bag(is_array($portion) ? $portion : []);
            $soil = $soils[$code] ?? ['token' => $code, 'ground' => $code, 'ph' => null];
            $read[] = ['code' => $code, 'tests' => $tests] + $soil;
        }

        return $read;
    }

    /**
     * @param array<mixed> $portion
     * @return array{string, list<string>} code and tests
     */
    private static function bag(array $portion): array
    {
        [$code, $tests] = [$portion['code'] ?? null, $portion['tests'] ?? null];

        return is_string($code) && preg_match('/^[A-Z0-9-]{3,20}$/D', $code) === 1 && is_array($tests)
            ? [$code, array_values(array_filter($tests, is_string(...)))]
            : throw new Refused('A portion has a code of capitals, digits and hyphens, and a list of tests.', 422);
    }

    /**
     * @param array<mixed> $soil
     * @return Soil
     */
    private static function soil(array $soil): array
    {
        [$token, $ground] = [$soil['token'] ?? null, $soil['ground'] ?? null];
        if (! is_string($token) || $token === '' || ! (is_string($ground) || $ground === null)) {
            throw new Refused('A soil has a token, and may have a ground and a pH.', 422);
        }

        return [
            'token' => $token,
            'ground' => $ground === null || $ground === '' ? $token : $ground,
            'ph' => is_numeric($soil['ph'] ?? null) ? (float) $soil['ph'] : null,
        ];
    }
}
