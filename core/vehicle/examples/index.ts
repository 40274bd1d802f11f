import { boatTrailer } from './boat-trailer'
import { chapelSaloon } from './chapel-saloon'
import { coalLorry } from './coal-lorry'
import { coastguardSaloon } from './coastguard-saloon'
import { courierTwinDisc } from './courier-twin-disc'
import { doctorsRunabout } from './doctors-runabout'
import { doctorsRunaboutRhd } from './doctors-runabout-rhd'
import { electricPostVan } from './electric-post-van'
import type { Example } from './example'
import { farmQuad } from './farm-quad'
import { ferryEstate } from './ferry-estate'
import { ferryHandCompact } from './ferry-hand-compact'
import { fireTender } from './fire-tender'
import { forestQuad } from './forest-quad'
import { hybridTaxi } from './hybrid-taxi'
import { marketThreeWheeler } from './market-three-wheeler'
import { mountainRescue } from './mountain-rescue'
import { parcelVan } from './parcel-van'
import { postSidecar } from './post-sidecar'
import { quarryPickup } from './quarry-pickup'
import { regattaCoupe } from './regatta-coupe'
import { rescueMotorcycle } from './rescue-motorcycle'
import { schoolMinibus } from './school-minibus'
import { smithyRoadster } from './smithy-roadster'
import { touringLinked } from './touring-linked'

/** Every example vehicle, by the name of its file. */
export const examples: Record<string, Example> = {
  'boat-trailer': boatTrailer,
  'chapel-saloon': chapelSaloon,
  'coal-lorry': coalLorry,
  'coastguard-saloon': coastguardSaloon,
  'courier-twin-disc': courierTwinDisc,
  'doctors-runabout-rhd': doctorsRunaboutRhd,
  'doctors-runabout': doctorsRunabout,
  'electric-post-van': electricPostVan,
  'farm-quad': farmQuad,
  'ferry-estate': ferryEstate,
  'ferry-hand-compact': ferryHandCompact,
  'fire-tender': fireTender,
  'forest-quad': forestQuad,
  'hybrid-taxi': hybridTaxi,
  'market-three-wheeler': marketThreeWheeler,
  'mountain-rescue': mountainRescue,
  'parcel-van': parcelVan,
  'post-sidecar': postSidecar,
  'quarry-pickup': quarryPickup,
  'regatta-coupe': regattaCoupe,
  'rescue-motorcycle': rescueMotorcycle,
  'school-minibus': schoolMinibus,
  'smithy-roadster': smithyRoadster,
  'touring-linked': touringLinked,
}
