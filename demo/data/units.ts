// The 64 radios and two programmers, one a line: tag | model | revision or region | place | group | readings | custody.
// A reading is [component:]what@days-ago[/source][/initial of the reader]; #n is the component's nth release.
// Custody is who@out..back, in days ago; a negative day lies ahead; "due" stands for not back yet.
export const UNITS = `
W-01 | Wicket    |   | S1 | LANTERNS | 1.02@690 1.08@402 1.14@121            |
W-02 | Wicket    |   | S1 | LANTERNS | 1.08@655 1.14@196                     |
W-03 | Wicket    |   | S1 | LANTERNS | 1.06@640 1.08@265/flash 1.08@22/screen/J | Ida@51..25
W-04 | Wicket    |   | S1 | LANTERNS | 1.08@400 1.14@88                      |
W-05 | Wicket    |   | S1 | LANTERNS | 1.14@60                               |
W-06 | Wicket    |   | S1 | LANTERNS | 1.10@240 1.14@130                     | Ida@19..due-10
W-07 | Wicket    |   | S1 | LANTERNS | 1.14@130                              | Ida@19..due-10
W-08 | Wicket    |   | S1 | LANTERNS | 1.12@251/tool/B                       |
W-09 | Wicket II | B | S1 | LANTERNS | 2.1.4@300 2.2.0@120                   |
W-10 | Wicket II | B | S1 | LANTERNS | 2.2.0@121 2.2.1@3/flash/J             |
H-01 | Heron     |   | S2 | LANTERNS | 2.1.4@200 bluetooth:1.4@140           |
H-02 | Heron     |   | S2 | LANTERNS | 2.1.4@200 bluetooth:1.3@200           |
H-03 | Heron     |   | S2 | LANTERNS | 2.1.4@210 2.2.0@12 bluetooth:1.4@12   |
H-04 | Heron     |   | S2 | LANTERNS | 2.1.4@96 bluetooth:1.4@96             |
H-05 | Heron     |   | S2 | LANTERNS | 2.2.0@12 bluetooth:1.4@12             |
H-06 | Heron     |   | S2 | LANTERNS | 2.2.0@12 bluetooth:1.4@12             |
H-07 | Heron     |   | S2 | LANTERNS | 2.1.0@300 2.1.4@96 bluetooth:1.4@96   |
H-08 | Heron     |   | S2 | LANTERNS | 2.2.0@11 bluetooth:1.4@11             |
H-09 | Heron     |   | S2 | LANTERNS | 2.2.0@11 bluetooth:1.4@11             |
H-10 | Heron     |   | S2 | LANTERNS |                                       |
S-01 | Sorrel DM |   | S3 | LOANS    | #4@250 #5@40                          | Osric@210..120
S-02 | Sorrel DM |   | S3 | LOANS    | #4@250 #5@41                          | Linnet@190..100
S-03 | Sorrel DM |   | S3 | LOANS    | #3@330 #5@70                          | Perrin@60..due+6
S-04 | Sorrel DM |   | S3 | LOANS    | #5@40                                 |
S-05 | Sorrel DM |   | S3 | LOANS    | #3@301 #4@160                         | Nan@150..80
S-06 | Sorrel DM |   | S3 | LOANS    | osier-7@90                            |
S-07 | Sorrel DM |   | S3 | LOANS    | osier-6@260 osier-6@100               |
S-08 | Sorrel DM |   | S3 | LOANS    | #5@39/power-on/T                      |
S-09 | Sorrel DM |   | S3 | LOANS    | #4@158                                | Hale@90..9
P-01 | Pocketreed | 1 | S4 | LOANS   | v0.9b@380 v1.0@201                    |
P-02 | Pocketreed | 1 | S4 | LOANS   | v1.0@200                              | Nan@33..due-25
P-03 | Pocketreed | 2 | S4 | LOANS   |                                       |
P-04 | Pocketreed | 2 | S4 | LOANS   | v0.9a@330                             |
P-05 | Pocketreed |   | S4 | LOANS   | v1.0@170                              |
P-06 | Pocketreed | 2 | S4 | LOANS   | v1.1a@20                              |
W-11 | Wicket    |   | S4 | LANTERNS | 1.14@140                              |
W-12 | Wicket    |   | S4 | LANTERNS | 1.08@480 1.14@141                     |
W-13 | Wicket    |   | S4 | TRIAL    | 1.14@150 1.15-beta2@33                |
T-01 | Tussock   | north | S5 | OLD  | #3@300                                |
T-02 | Tussock   | north | S5 | OLD  | #5@60                                 |
T-03 | Tussock   | west | S5 | OLD   | #4@310                                |
T-04 | Tussock   | west | S5 | LOANS | #4@310/tool/B                         |
T-05 | Tussock   |   | S5 | LOANS    | #2@290                                |
T-06 | Tussock   | north | HUT | TRIAL | #5@55                                 |
O-01 | Oxbow 4   |   | S5 | OLD      | Moorhen@600                           |
O-02 | Oxbow 4   |   | S5 | OLD      | Lapwing@600 Lapwing III@45/label/B    |
R-01 | Sorrel S  |   | S5 | LOANS    | #2@420                                | Maud@64..due-12
R-02 | Sorrel S  |   | S5 | LOANS    | #4@77                                 |
L-01 | Lantern 2 |   | SL1 | SLUICES | 1.26@420 1.3@200                      |
L-02 | Lantern 2 |   | SL1 | SLUICES | 1.26@205                              |
L-03 | Lantern 2 |   | SL2 | SLUICES | 1.3@201                               |
L-04 | Lantern 2 |   | SL2 | SLUICES | 1.3@199                               |
L-05 | Lantern 2 |   | SL3 | SLUICES | 1.25@520 1.31@50                      |
L-06 | Lantern 2 |   | SL3 | SLUICES | 1.4@12/screen/T                       |
L-07 | Lantern 3 |   | SL4 | SLUICES | 1.20@60                               |
L-08 | Lantern 3 |   | SL4 | SLUICES | 1.3@18/screen/T                       |
H-11 | Heron     |   | SL1 | SLUICES | 2.2.0@30 bluetooth:1.4@30             |
W-14 | Wicket    |   | HUT | TRIAL   | reedling-4@70                         |
M-01 | Marl 40   |   | VAN | MOBILES | B09@400 B12@110 panel:1.2@110 dsp:2.1@110 |
M-02 | Marl 40   |   | VAN | MOBILES | B12@110 panel:1.2@110 dsp:2.0@110     |
M-03 | Marl 40   |   | VAN | MOBILES | B07@300 panel:1.0@300 dsp:1.8@300     |
M-04 | Marl 40   |   | VAN | MOBILES | B13@8 panel:1.2@8 dsp:2.1@8           |
M-05 | Marl 80   | early | VAN | MOBILES | C3@260 panel:1.4@260                  |
W-15 | Wicket    |   | VAN | LANTERNS | reedling-3@150                       |
B-01 | Clasp     |   | HUT | LANTERNS | 1.4@90                                |
B-02 | Clasp     |   | HUT | LANTERNS | 1.4@200 1.6@20                        |
`;

/** Serial numbers of those whose model tells its revisions apart by them; the others' are counted up. */
export const SERIALS: Readonly<Record<string, string>> = {
  "W-09": "FW2 4112",
  "W-10": "FW2 4113",
  "P-01": "PR 118",
  "P-02": "PR 141",
  "P-03": "PR 733",
  // Its shell was swapped once: the shell says 2, the serial number says 1.
  "P-04": "PR 402",
  "P-05": "PR 226",
  "P-06": "PR 871",
  "M-05": "BW80 2210",
};
