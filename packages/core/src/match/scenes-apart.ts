/** One picture is not shown again within so many scenes while another will do. */
export const SCENES_APART = 10
