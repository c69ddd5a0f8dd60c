/** Words that say nothing about a picture. */
export const STOP_WORDS = new Set(
  `a about above after again against all almost alone along already also although always am among
    an and another any anyone anything are around as at away back be became because become been
    before behind being below between both but by came can cannot come could did do does doing
    done down each either else end enough even ever every everyone everything far few first for
    from further get give go goes gone got had half has have having he her here hers herself him
    himself his how however i if in inside instead into is it its itself just keep kind know last
    later least less let like long lot made make many may me might more most much must my myself
    near nearly need never new next no nobody none nor not nothing now number of off often old on
    once one only onto or other others our out outside over own part perhaps put quite rather
    really right said same say see seem several shall she should side since so some someone
    something sometimes sort soon still such take than that the their them themselves then there
    these they thing this those though through thus till time to today together too top toward
    towards turn twice two under until up upon us use used very want was way we well went were
    what whatever when where whether which while who whole whom whose why will with within without
    word would yes yet you your yourself three four five six seven eight nine ten hundred thousand
    million billion second minute hour day week month year percent example fact reason problem
    answer question idea point case result amount level type form set piece bit pair group order
    rest start beginning middle secret story name life man people person place o'clock`.split(
    /\s+/,
  ),
)
