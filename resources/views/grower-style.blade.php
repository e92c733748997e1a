        :root { --paper: #F4F0E6; --ink: #221D17; --ink-2: #5A5044; --rule: #CFC5AF; --amber-fill: #F6E6C4; }
        * { box-sizing: border-box; }
        body { margin: 0; background: var(--paper); color: var(--ink); font: 17px/1.45 Georgia, 'Times New Roman', serif; }
        main { max-width: 720px; margin: 0 auto; padding: 18px 18px 40px; }
        .over, .note, .foot { color: var(--ink-2); font-size: 15px; }
        .over { margin: 0; }
        h1 { font-size: 27px; line-height: 1.12; margin: 4px 0 8px; }
        h2 { font-size: 20px; margin: 22px 0 6px; padding-top: 10px; border-top: 1px solid var(--rule); }
        h2.part { font-size: 23px; border-top: 2px solid var(--ink); }
        p { margin: 6px 0; }
        .stop { background: var(--amber-fill); color: #3F2A05; padding: 10px 12px; margin: 10px 0; }
        .stop ul { margin: 6px 0 0; padding-left: 18px; }
        .found { margin: 8px 0 14px; break-inside: avoid; }
        .found svg { width: 100%; height: 26px; display: block; }
        table { border-collapse: collapse; width: 100%; }
        th { text-align: left; font-weight: 500; color: var(--ink-2); border-bottom: 1px solid var(--ink); padding: 4px 10px 4px 0; }
        td { vertical-align: top; padding: 8px 10px 8px 0; border-bottom: 1px solid var(--rule); }
        td .note { display: block; }
        tr { break-inside: avoid; }
        .when { width: 130px; font-variant-numeric: tabular-nums; }
        .care { display: block; font-size: 15px; margin-top: 4px; padding-left: 12px; border-left: 3px solid #8A5600; }
        .against { border-left: 3px solid #9B2D16; padding-left: 12px; }
        @media (max-width: 480px) { .when { width: 92px; } }
        @page {
            margin: 20mm 16mm;
            @bottom-left { content: 'Honest Core. Local rules and the label go first.'; font-size: 9pt; }
            @bottom-right { content: 'page ' counter(page) ' of ' counter(pages); font-size: 9pt; }
        }
        @media print {
            body { background: none; font-size: 11.5pt; }
            main { max-width: none; padding: 0; }
            .stop { background: none; border: 1px solid var(--ink); }
            h2 { break-after: avoid; }
        }
