<?php

declare(strict_types=1);

namespace Tests\Feature\Console;

use Illuminate\Foundation\Testing\TestCase;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\Command;

/** The commands of the command-line contract, run as scripts run them: without a database and without an .env. */
final class ContractTest extends TestCase
{
    private const CSV = "sample,reference,test\nA,5.02,5.0\nB,5.71,5.5\nC,5.94,6.1\nD,6.33,6.4\nE,6.81,6.6\nF,7.40,".
        "7.5\nG,7.36,7.1\n";

    private const BOUNDARY = '{"type":"Feature","properties":{},"geometry":{"type":"Polygon",'.
        '"coordinates":[[[-76.282,42.914],[-76.28,42.914],[-76.28,42.9155],[-76.282,42.9155],[-76.282,42.914]]]}}';

    public function test_evidence_has_every_promised_key(): void
    {
        $it = Command::run(['evidence:assess', '-', '--analyte=ph', '--json'], self::CSV)->json();

        self::assertSame(
            [
                'analyte',
                'pairs',
                'left_out',
                'difference',
                'regression',
                'concordance',
                'kappa',
                'sort',
                'rate',
                'track',
            ],
            array_values(
                array_intersect(array_keys($it), [
                    'analyte',
                    'pairs',
                    'left_out',
                    'difference',
                    'regression',
                    'concordance',
                    'kappa',
                    'sort',
                    'rate',
                    'track',
                ]),
            ),
        );
        self::assertSame(
            [
                'mean',
                'sd',
                'mean_ci',
                'lower_limit',
                'upper_limit',
                'lower_limit_ci',
                'upper_limit_ci',
                'trend',
                'at_ends',
                'sd_without_reference',
            ],
            array_keys($it['difference']),
        );
        self::assertSame(
            ['slope', 'slope_ci', 'intercept', 'intercept_ci'],
            array_keys($it['regression']['passing_bablok']),
        );
        self::assertSame(
            ['verdict', 'agree', 'n', 'rate', 'lower', 'upper', 'per_class', 'reasons', 'more_pairs'],
            array_keys($it['sort']),
        );
        self::assertSame(
            ['verdict', 'sd_within', 'df', 'sd_within_ci', 'detectable_change', 'reasons'],
            array_keys($it['track']),
        );
        self::assertSame(
            [7, 0, 'untested', 0],
            [$it['pairs'], $it['left_out'], $it['track']['verdict'], $it['track']['df']],
        );
    }

    public function test_clusters_steps_and_looking_often_come_in_by_options_and_a_column(): void
    {
        $csv = "sample,reference,test,cluster,flag\n";
        for ($i = 0; $i < 24; $i++) {
            $csv .=
                "S{$i},".
                (5.0 + 0.1 * $i).
                ','.
                (5.02 + 0.1 * $i + 0.01 * ($i % 3)).
                ',day '.
                intdiv($i, 4).
                ",\n";
        }
        $csv .= "S99,,spilled,,dropped on the way\n";
        $of = static fn (string ...$options): array => Command::run(
            ['evidence:assess', '-', '--analyte=ph', '--json', ...array_values($options)],
            $csv,
        )->json();
        $it = $of('--u-reference=0.001', '--resolution=0.01');

        self::assertSame([24, 1, 2], [$it['pairs'], $it['left_out'], count($it['difference']['at_ends'])]);
        self::assertSame(
            ['at', 'mean', 'lower', 'upper', 'lower_ci', 'upper_ci'],
            array_keys($it['difference']['at_ends'][0]),
        );
        self::assertLessThan(24, $it['pairs_effective']);
        self::assertSame(['verdict', 'allowable', 'within', 'reasons'], array_keys($it['rate']));
        self::assertSame(['n' => 24, 'of' => 24], array_slice($it['rate']['within'], 0, 2));
        self::assertLessThan($it['difference']['sd'], $it['difference']['sd_without_reference']);
        self::assertLessThan($it['sort']['lower'], $of('--looks=often')['sort']['lower']);
        self::assertNull($of()['difference']['sd_without_reference']);
    }

    public function test_variance_has_every_promised_key_and_the_published_figures(): void
    {
        $rows = [
            [3898, 4139, 4466, 4693],
            [3910, 3993, 4201, 4126],
            [5708, 5903, 4061, 3782],
            [5028, 4754, 5450, 5416],
            [4640, 4401, 4248, 4191],
            [5182, 5023, 4662, 4839],
            [3028, 3224, 3023, 2901],
            [3966, 4283, 4131, 3788],
        ];
        $csv = "\xEF\xBB\xBFvalue;analysis;sample;target\r\n";
        foreach ($rows as $target => $values) {
            foreach ($values as $i => $value) {
                $csv .= implode(';', [$value, ($i % 2) + 1, 'S'.(intdiv($i, 2) + 1), $target + 1])."\r\n";
            }
        }
        $it = Command::run(['variance:split', '-', '--json'], $csv)->json();

        self::assertSame(
            ['targets', 'classical', 'robust', 'share', 'expanded_relative_uncertainty'],
            array_values(
                array_intersect(array_keys($it), [
                    'targets',
                    'classical',
                    'robust',
                    'share',
                    'expanded_relative_uncertainty',
                ]),
            ),
        );
        self::assertSame(
            ['mean', 'sd_between', 'sd_sampling', 'sd_analysis', 'sd_measurement'],
            array_keys($it['robust']),
        );
        self::assertSame([...array_keys($it['robust']), 'sd_measurement_ci'], array_keys($it['classical']));
        self::assertSame(['between', 'sampling', 'analysis'], array_keys($it['share']));
        self::assertSame(8, $it['targets']);
        self::assertEqualsWithDelta(
            [0.164, 319.05],
            [$it['expanded_relative_uncertainty'], $it['robust']['sd_sampling']],
            0.05,
        );
        self::assertStringContainsString('robust.sd_measurement', Command::run(['variance:split', '-'], $csv)->output);
    }

    public function test_a_file_and_standard_input_are_read_alike_and_bands_are_ordinal(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'hc');
        self::assertNotFalse($file);
        file_put_contents(
            $file,
            "\xEF\xBB\xBFtest;reference;sample;flag\r\nMid;6.5;A;\r\nLow;5.0;B;\r\nHigh;x;C;spilled\r\n",
        );
        $it = Command::run([
            'evidence:assess',
            $file,
            '--analyte=ph',
            '--bands=Low:0:6,Mid:6:7.3,High:7.3:',
            '--json',
        ])->json();
        unlink($file);

        self::assertSame(
            [2, 1, null, null, null],
            [$it['pairs'], $it['left_out'], $it['difference'], $it['regression'], $it['concordance']],
        );
        self::assertSame('untested', $it['rate']['verdict']);
    }

    public function test_without_json_the_same_facts_stand_in_a_table(): void
    {
        $run = Command::run(['cores:needed', '--sd=0.5', '--margin=0.25', '--confidence=0.9']);

        self::assertSame(0, $run->status);
        self::assertMatchesRegularExpression('/^cores\s+13$/m', $run->output);
    }

    public function test_a_plan_is_geojson_with_its_summary(): void
    {
        $it = Command::run(
            [
                'plan:draft',
                '-',
                '--cores=15',
                '--pattern=w',
                '--seed=4',
                '--depth=0-6in',
                '--depth=15-30cm',
                '--edge-m=5',
            ],
            self::BOUNDARY,
        )->json();

        self::assertSame(['FeatureCollection', 15], [$it['type'], count($it['features'])]);
        self::assertSame(
            ['area_m2', 'area_acres', 'usable_m2', 'composites', 'cores', 'walk_m', 'volume_ml_per_composite', 'seed'],
            array_keys($it['summary']),
        );
        self::assertSame(
            [1, 15, 4, 2],
            [
                $it['summary']['composites'],
                $it['summary']['cores'],
                $it['summary']['seed'],
                count($it['summary']['volume_ml_per_composite']),
            ],
        );
        self::assertSame(
            range(1, 15),
            array_map(static fn (array $f): int => $f['properties']['sequence'], $it['features']),
        );
        $csv = Command::run(['plan:draft', '-', '--format=csv', '--cores=5'], self::BOUNDARY)->output;
        self::assertCount(6, explode("\n", trim($csv)));
        self::assertStringStartsWith('composite,sequence,longitude,latitude', $csv);
    }

    public function test_texture_and_colour(): void
    {
        self::assertSame(
            'sandy loam',
            Command::run(['texture:class', '--sand=74', '--silt=20', '--clay=6', '--json'])->json()['class'],
        );
        $scaled = Command::run(['texture:class', '--sand=74', '--silt=20', '--clay=5', '--json'])->json();
        self::assertTrue($scaled['scaled']);
        self::assertSame('volume', Command::run(['texture:class', '--jar=30,15,5', '--json'])->json()['by']);
        self::assertEqualsWithDelta(
            2.0425,
            Command::run(['colour:difference', '50,2.6772,-79.7751', '50,0,-82.7485', '--json'])->json()['de2000'],
            5e-5,
        );
    }

    public function test_a_report_is_read_as_its_file_says_and_what_it_leaves_open_is_asked(): void
    {
        $it = Command::run(
            ['report:read', '-', '--json'],
            'Muster;pH-Wert;Zink (mg/kg) DTPA;P2O5 (mg/100g) CAL;Bor '.
                "(schoppen)\n007;6,4;1,5;20;3\n1E5;<5,1;#N/A;n.d.;4\nSumme;11;;;\n",
        )->json();

        self::assertSame(['format', 'columns', 'results', 'left_out', 'questions'], array_keys($it));
        self::assertSame(
            ['delimiter' => ';', 'decimal' => ',', 'encoding' => 'utf-8', 'header_row' => 1],
            $it['format'],
        );
        self::assertSame(
            [
                'row',
                'sample',
                'analyte',
                'extractant',
                'reported',
                'kind',
                'value',
                'unit',
                'form',
                'home_value',
                'home_unit',
            ],
            array_keys($it['results'][0]),
        );
        self::assertSame(['007', '1E5'], array_values(array_unique(array_column($it['results'], 'sample'))));
        $of = static fn (int $row, string $analyte): array => array_values(
            array_filter(
                $it['results'],
                static fn (array $one): bool => $one['row'] === $row && $one['analyte'] === $analyte,
            ),
        )[0];
        self::assertEqualsWithDelta(
            [6.4, 1.5, (200 * 2 * 30.973762) / 141.943],
            [$of(2, 'ph')['home_value'], $of(2, 'zn')['home_value'], $of(2, 'p')['home_value']],
            0.02,
        );
        self::assertSame(['below', 5.1], [$of(3, 'ph')['kind'], $of(3, 'ph')['value']]);
        self::assertNull($of(2, 'b')['home_value'], 'a unit that is not understood is never the home unit');
        self::assertStringContainsString('schoppen', implode(' ', $it['questions']));
        self::assertSame([4], array_column($it['left_out'], 'row'));
    }

    public function test_amounts_have_every_promised_key(): void
    {
        $lime = Command::run(['lime:rate', '--mehlich=6.599', '--ph=5.6', '--target=7.0', '--json'])->json();
        self::assertSame(
            ['unable', null],
            [$lime['answer'], $lime['schools'][0]['product']['tons_per_acre']],
            'past 6.6 the formula divides by next to nothing',
        );
        $phosphate = Command::run([
            'nutrient:rate',
            '--analyte=p',
            '--value=15',
            '--crop=corn',
            '--yield=180',
            '--json',
        ])->json();
        self::assertSame(['build', 'P2O5'], [$phosphate['class'], $phosphate['nutrient']]);
        self::assertEqualsWithDelta(88.0, $phosphate['lb_per_acre'], 1e-9);
        self::assertEqualsWithDelta(
            8 * 11.0,
            Command::run(['nitrogen:rate', '--psnt=14', '--layer=0-12in', '--json'])->json()['lb_per_acre'],
            1e-9,
        );
        $mix = Command::run(
            ['blend:choose', '-', '--json'],
            '{"need":{"n":46},"products":[{"name":"urea","cost":0.3,"n":46}]}',
        )->json();
        self::assertSame(['products', 'supplied', 'short', 'over', 'cost', 'reasons'], array_keys($mix));
        self::assertEqualsWithDelta(100.0, $mix['products'][0]['amount'], 1e-6);
        $change = Command::run(
            ['response:check', '-', '--u=0.1', '--expected=0.5', '--json'],
            "group,plot,before,after\ntreated,A,5.5,6.1\ncontrol,B,5.6,5.6\n",
        )->json();
        self::assertSame(
            [
                'plots',
                'change',
                'difference',
                'se',
                'df',
                'interval',
                'smallest_seen',
                'smallest_with_power',
                'word',
                'reasons',
            ],
            array_keys($change),
        );
        self::assertEqualsWithDelta([0.6, 0.2], [$change['difference'], $change['se']], 1e-9);
        self::assertSame('as_expected', $change['word']);
        $lead = Command::run(['metals:screen', '-', '--limit=400', '--json'], "value\n100\n120\n< 5\n90\n")->json();
        self::assertSame(
            [
                'n',
                'censored',
                'mean',
                'sd',
                'log_sd',
                'ucl',
                'lcl',
                'ucl_by',
                'limit',
                'answer',
                'maximum',
                'one_core_up_to',
                'hidden_from',
                'reasons',
            ],
            array_keys($lead),
        );
        self::assertSame(
            [4, 1, 'chebyshev', 'below'],
            [$lead['n'], $lead['censored'], $lead['ucl_by'], $lead['answer']],
        );
    }

    /** @return iterable<string, array{list<string>, string|null, string}> */
    public static function refused(): iterable
    {
        $evidence = static fn (string ...$options): array => array_values([
            'evidence:assess',
            '-',
            '--analyte=ph',
            '--json',
            ...$options,
        ]);
        yield 'no analyte' => [['evidence:assess', '-', '--json'], self::CSV, '--analyte'];
        yield 'unknown analyte' => [['evidence:assess', '-', '--analyte=gold'], self::CSV, 'gold'];
        yield 'unknown option' => [$evidence('--colour=red'), self::CSV, 'colour'];
        yield 'missing file' => [['evidence:assess', '--analyte=ph'], null, 'file'];
        yield 'file that is not there' => [['evidence:assess', 'nowhere.csv', '--analyte=ph'], null, 'nowhere.csv'];
        yield 'empty cell' => [$evidence(), "sample,reference,test\nA,5,\n", 'row 2'];
        yield 'infinite' => [$evidence(), "sample,reference,test\nA,INF,5\n", 'row 2'];
        yield 'header alone' => [$evidence(), "sample,reference,test\n", 'no rows'];
        yield 'sample twice' => [$evidence(), "sample,reference,test\nA,5,5\nA,5,6\n", 'row 3'];
        yield 'ratio of nothing' => [$evidence('--scale=ratio'), "sample,reference,test\nA,0,5\n", 'row 2'];
        yield 'limits that fall' => [$evidence('--thresholds=7,6'), self::CSV, 'ascend'];
        yield 'confidence of one' => [$evidence('--confidence=1'), self::CSV, 'confidence'];
        yield 'bands that overlap' => [$evidence('--bands=Low:0:6,Mid:5:7'), self::CSV, 'overlaps'];
        yield 'confidence of a half' => [$evidence('--confidence=0.5'), self::CSV, 'confidence'];
        yield 'a step of nothing' => [$evidence('--resolution=0'), self::CSV, '--resolution'];
        yield 'a reference surer than sure' => [$evidence('--u-reference=-0.1'), self::CSV, '--u-reference'];
        yield 'looking now and then' => [$evidence('--looks=sometimes'), self::CSV, '--looks'];
        yield 'a cluster left out' => [$evidence(), "sample,reference,test,cluster\nA,5,5,Mon\nB,5,5, \n", 'row 3'];
        yield 'a sample of two days' => [
            $evidence(),
            "sample,reference,test,replicate,cluster\nA,5,5,1,Mon\nA,5,5,2,Tue\n",
            'row 3',
        ];
        yield 'crossed boundary' => [
            ['plan:draft', '-'],
            '{"type":"Polygon","coordinates":[[[0,0],[0.001,0.001],[0.001,0],[0,0.001],[0,0]]]}',
            'crosses itself',
        ];
        yield 'open boundary' => [
            ['plan:draft', '-'],
            '{"type":"Polygon","coordinates":[[[0,0],[0.001,0],[0.001,0.001],[0,0.001]]]}',
            'not closed',
        ];
        yield 'no usable ground' => [['plan:draft', '-', '--edge-m=500'], self::BOUNDARY, 'no usable ground'];
        yield 'no such pattern' => [['plan:draft', '-', '--pattern=spiral'], self::BOUNDARY, 'spiral'];
        yield 'json with gpx' => [['plan:draft', '-', '--format=gpx', '--json'], self::BOUNDARY, '--json'];
        yield 'half a core' => [['plan:draft', '-', '--cores=2.5'], self::BOUNDARY, '--cores'];
        yield 'a deep layer' => [['plan:draft', '-', '--depth=0-900in'], self::BOUNDARY, '--depth'];
        yield 'texture that misses' => [['texture:class', '--sand=74', '--silt=20', '--clay=2'], null, '100'];
        yield 'texture short of one' => [['texture:class', '--sand=74', '--silt=20'], null, '--clay'];
        yield 'an unbalanced design' => [
            ['variance:split', '-', '--json'],
            "target,sample,analysis,value\n1,1,1,5\n1,1,2,6\n1,2,1,5\n",
            'row 4',
        ];
        yield 'a value that is text' => [
            ['variance:split', '-'],
            "target,sample,analysis,value\n1,1,1,much\n",
            'row 2',
        ];
        yield 'a design of nothing' => [['variance:split', '-'], '', 'empty'];
        yield 'an option of another command' => [
            ['variance:split', '-', '--analyte=ph'],
            "target,sample,analysis,value\n1,1,1,5\n",
            'analyte',
        ];
        yield 'no margin' => [['cores:needed', '--sd=0.5'], null, '--margin'];
        yield 'a margin of nothing' => [['cores:needed', '--sd=0.5', '--margin=0'], null, 'margin'];
        yield 'a report of nothing' => [['report:read', '-'], '', 'empty'];
        yield 'a row wider than its header' => [['report:read', '-'], "Sample,pH\nA,6.5\nB,6.5,7\n", '3'];
        yield 'a quote that is never closed' => [['report:read', '-'], "Sample,pH\nA,\"6.5\nB,6.6\n", '2'];
        yield 'soil of lead' => [['report:read', '-', '--bulk-density=11'], "Sample,pH\nA,6.5\n", '--bulk-density'];
        yield 'a buffer that is none' => [['lime:rate', '--mehlich=61', '--ph=5.6', '--target=6.5'], null, '--mehlich'];
        yield 'no analyte of rates' => [
            ['nutrient:rate', '--analyte=zn', '--value=1', '--crop=corn'],
            null,
            '--analyte',
        ];
        yield 'one limit of two' => [
            ['nutrient:rate', '--analyte=p', '--value=1', '--crop=corn', '--critical=20'],
            null,
            '--limit',
        ];
        yield 'a need and a test' => [['nitrogen:rate', '--need=100', '--psnt=10'], null, '--need'];
        yield 'a mix of nothing' => [['blend:choose', '-'], '{"need":{"n":5},"products":[]}', 'product'];
        yield 'a nutrient that is none' => [
            ['blend:choose', '-'],
            '{"need":{"gold":5},"products":[{"name":"a","cost":1,"n":5}]}',
            'gold',
        ];
        yield 'nothing treated' => [['response:check', '-'], "group,plot,before,after\ncontrol,A,5,6\n", 'treated'];
        yield 'a metal of nought' => [['metals:screen', '-', '--limit=400'], "value\n0\n", 'row 2'];
        yield 'a colour of two' => [['colour:difference', '50,2', '50,0,1'], null, '50,2'];
    }

    /** @param list<string> $arguments */
    #[DataProvider('refused')]
    public function test_bad_input_is_refused_in_one_line_with_status_2(
        array $arguments,
        ?string $input,
        string $words,
    ): void {
        $run = Command::run($arguments, $input ?? '');

        self::assertSame(2, $run->status, $run->output.$run->error);
        self::assertSame('', $run->output);
        self::assertSame(1, substr_count($run->error, "\n"), $run->error);
        self::assertStringContainsStringIgnoringCase($words, $run->error);
        self::assertStringContainsString(
            'accepted',
            str_replace('must be', 'accepted', str_replace('must ascend', 'accepted', $run->error)),
        );
    }
}
